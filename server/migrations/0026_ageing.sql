-- A look at a bottle that was kept back of a released lot.
CREATE TABLE bottle_look (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  bottling_id CHAR(36) CHARACTER SET ascii NOT NULL,
  opened VARCHAR(12) NOT NULL,
  days_open INT NULL,
  findings LONGTEXT NOT NULL CHECK (JSON_VALID(findings)),
  colour DOUBLE NULL,
  smell DOUBLE NULL,
  taste DOUBLE NULL,
  ph DOUBLE NULL,
  ph_instrument_id CHAR(36) CHARACTER SET ascii NULL,
  brix DOUBLE NULL,
  note VARCHAR(500) NULL,
  age_days INT NOT NULL,
  ph_counts BOOLEAN NOT NULL,
  faults LONGTEXT NOT NULL CHECK (JSON_VALID(faults)),
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY bottle_look_lot (lot_id, at),
  CONSTRAINT bottle_look_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT bottle_look_bottling FOREIGN KEY (bottling_id) REFERENCES bottling (id),
  CONSTRAINT bottle_look_meter FOREIGN KEY (ph_instrument_id) REFERENCES instrument (id),
  CONSTRAINT bottle_look_account FOREIGN KEY (account_id) REFERENCES account (id),
  CONSTRAINT bottle_look_striker FOREIGN KEY (struck_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The owner's own date for a lot: the newest of these counts.
CREATE TABLE dating (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  until VARCHAR(10) NULL,
  longer BOOLEAN NOT NULL,
  why VARCHAR(500) NOT NULL,
  evidence TEXT NOT NULL,
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY dating_lot (lot_id, at),
  CONSTRAINT dating_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT dating_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- How warm it was where bottles stand: by hand, or a logger's file.
CREATE TABLE place_temperature (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  instrument_id CHAR(36) CHARACTER SET ascii NOT NULL,
  place VARCHAR(60) NOT NULL,
  samples LONGTEXT NOT NULL CHECK (JSON_VALID(samples)),
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY place_temperature_instrument (instrument_id, at),
  CONSTRAINT place_temperature_instrument FOREIGN KEY (instrument_id) REFERENCES instrument (id),
  CONSTRAINT place_temperature_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
