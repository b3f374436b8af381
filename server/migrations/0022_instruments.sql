-- The temperature that a hydrometer was made for.
ALTER TABLE instrument ADD COLUMN made_for_celsius DOUBLE NULL;
ALTER TABLE instrument MODIFY kind VARCHAR(30) NOT NULL;
