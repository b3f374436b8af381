-- The stove: pans, which lot is in which, photographs; checks of instruments without buffers; where an addition came from.
CREATE TABLE vessel (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  material VARCHAR(20) NOT NULL,
  shape TEXT NOT NULL,
  retired_at DATETIME(3) NULL,
  created_at DATETIME(3) NOT NULL,
  KEY vessel_kitchen (kitchen_id, created_at),
  CONSTRAINT vessel_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE placing (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  step_id CHAR(36) CHARACTER SET ascii NULL,
  vessel_id CHAR(36) CHARACTER SET ascii NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY placing_lot (lot_id, at),
  KEY placing_vessel (vessel_id, at),
  CONSTRAINT placing_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT placing_vessel FOREIGN KEY (vessel_id) REFERENCES vessel (id),
  CONSTRAINT placing_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE photograph (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  step_id CHAR(36) CHARACTER SET ascii NULL,
  reading_id CHAR(36) CHARACTER SET ascii NULL,
  words VARCHAR(200) NOT NULL DEFAULT '',
  image MEDIUMBLOB NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY photograph_lot (lot_id, at),
  CONSTRAINT photograph_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT photograph_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE instrument_check (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  instrument_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind VARCHAR(10) NOT NULL,
  weight_grams DOUBLE NULL,
  figure DOUBLE NOT NULL,
  expected DOUBLE NOT NULL,
  accepted BOOLEAN NOT NULL,
  reason VARCHAR(400) NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY check_instrument (instrument_id, at),
  CONSTRAINT check_instrument FOREIGN KEY (instrument_id) REFERENCES instrument (id),
  CONSTRAINT check_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE step_mark MODIFY kind ENUM('start','pause','done','reopen','answer') NOT NULL;
ALTER TABLE addition ADD COLUMN taken_from VARCHAR(120) NULL AFTER why;
