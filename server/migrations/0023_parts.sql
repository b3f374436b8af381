-- A line of a formula may go in in parts: more of it follows.
ALTER TABLE addition ADD COLUMN more BOOLEAN NOT NULL DEFAULT FALSE;
ALTER TABLE addition ALTER more DROP DEFAULT;
