-- A lot may be kept another way than it was begun for: the newest of these counts.
CREATE TABLE storage_change (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  `from` VARCHAR(10) NOT NULL,
  `to` VARCHAR(10) NOT NULL,
  why VARCHAR(500) NOT NULL,
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY storage_change_lot (lot_id, at),
  CONSTRAINT storage_change_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT storage_change_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
