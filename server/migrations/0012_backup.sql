-- Copies of the whole database that were made and read back: written by the backup command, read by the application.
CREATE TABLE backup (
  id CHAR(36) NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  file VARCHAR(500) NOT NULL,
  bytes BIGINT UNSIGNED NOT NULL,
  KEY backup_by_time (at)
);
