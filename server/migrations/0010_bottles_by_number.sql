-- Bottles are counted once: loads, processes and seal checks say which, by number.
ALTER TABLE canner_load ADD COLUMN numbers JSON NULL;
ALTER TABLE heat_process ADD COLUMN numbers JSON NULL;
ALTER TABLE seal_check ADD COLUMN numbers JSON NULL;

-- A thick syrup's pH is read diluted as well; a temperature says how long it was held; what a simulated instrument showed is marked.
ALTER TABLE reading
  ADD COLUMN simulated TINYINT(1) NOT NULL DEFAULT 0,
  ADD COLUMN diluted TINYINT(1) NOT NULL DEFAULT 0,
  ADD COLUMN held_minutes DOUBLE NULL;
ALTER TABLE reading ALTER simulated DROP DEFAULT, ALTER diluted DROP DEFAULT;
