-- How far something is that takes a while, by the id it was begun with: read by the page that began it.
CREATE TABLE progress (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  what VARCHAR(60) NOT NULL,
  done BIGINT UNSIGNED NOT NULL,
  total BIGINT UNSIGNED NOT NULL,
  fault VARCHAR(1000) NULL,
  ended TINYINT(1) NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY progress_by_time (at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Where the kitchen came in from an export: when, up to which row of its journal, how that was signed where it came from, and whether this installation's key had signed that.
ALTER TABLE installation
  ADD COLUMN brought_in_at DATETIME(3) NULL,
  ADD COLUMN brought_in_sequence BIGINT UNSIGNED NULL,
  ADD COLUMN brought_in_signature CHAR(64) CHARACTER SET ascii NULL,
  ADD COLUMN brought_in_signed TINYINT(1) NULL;
