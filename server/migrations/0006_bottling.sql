-- Filling, processing, checking and releasing: what a bottle is, where every millilitre went, loads and curves, fates, deviations.
ALTER TABLE container
  ADD COLUMN brimful_ml DOUBLE NULL,
  ADD COLUMN tare_grams DOUBLE NULL,
  ADD COLUMN headspace_inches DOUBLE NULL,
  ADD COLUMN rated VARCHAR(60) NOT NULL DEFAULT '';
-- Jars with two-piece lids are canning jars: made for the boiling-water bath.
UPDATE container SET rated = 'boiling water' WHERE closure = 'two-piece lid';

-- A canner is a vessel in which nothing is cooked.
ALTER TABLE vessel ADD COLUMN used_as VARCHAR(10) NOT NULL DEFAULT 'pan';

ALTER TABLE kitchen ADD COLUMN fill_tolerance_percent DOUBLE NOT NULL DEFAULT 3;

ALTER TABLE reading ADD COLUMN taken VARCHAR(20) NOT NULL DEFAULT 'as it is';

ALTER TABLE bottling
  ADD COLUMN middle_celsius DOUBLE NULL,
  ADD COLUMN last_celsius DOUBLE NULL,
  ADD COLUMN glass_celsius DOUBLE NULL,
  ADD COLUMN headspace_inches DOUBLE NULL,
  ADD COLUMN checked BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN hours_to_21 DOUBLE NULL;

ALTER TABLE heat_process
  ADD COLUMN method VARCHAR(20) NOT NULL DEFAULT 'boiling water',
  ADD COLUMN inverted_seconds DOUBLE NULL,
  ADD COLUMN elevation_metres DOUBLE NULL,
  ADD COLUMN bottles INT NULL,
  ADD COLUMN limits VARCHAR(200) NULL,
  ADD COLUMN load_id CHAR(36) CHARACTER SET ascii NULL;

-- A release is signed with the account's own password; one brought in with a kitchen file is not.
ALTER TABLE decision ADD COLUMN signed BOOLEAN NOT NULL DEFAULT FALSE;

ALTER TABLE seal_check
  ADD COLUMN failed_bottles TEXT NULL,
  ADD COLUMN signs VARCHAR(300) NOT NULL DEFAULT '';

-- A process of the kitchen's own, with its source; never changed, a newer one stands beside it.
CREATE TABLE own_process (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  content TEXT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY process_kitchen (kitchen_id, at),
  CONSTRAINT process_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT process_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE bottle_tick (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  line_id VARCHAR(40) NOT NULL,
  bottle INT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY tick_lot (lot_id, at),
  CONSTRAINT tick_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT tick_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE glass_fault (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  container_id CHAR(36) CHARACTER SET ascii NOT NULL,
  fault VARCHAR(20) NOT NULL,
  count INT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY fault_lot (lot_id, at),
  CONSTRAINT fault_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT fault_container FOREIGN KEY (container_id) REFERENCES container (id),
  CONSTRAINT fault_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE tally (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  in_pan_ml DOUBLE NOT NULL,
  how VARCHAR(120) NOT NULL,
  parts TEXT NOT NULL,
  filled_ml DOUBLE NOT NULL,
  gap_ml DOUBLE NOT NULL,
  asks BOOLEAN NOT NULL,
  why VARCHAR(500) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY tally_lot (lot_id, at),
  CONSTRAINT tally_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT tally_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE weighing (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  bottling_id CHAR(36) CHARACTER SET ascii NOT NULL,
  gross_grams DOUBLE NOT NULL,
  tare_grams DOUBLE NOT NULL,
  net_ml DOUBLE NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY weighing_lot (lot_id, at),
  CONSTRAINT weighing_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT weighing_bottling FOREIGN KEY (bottling_id) REFERENCES bottling (id),
  CONSTRAINT weighing_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE cooling (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  bottling_id CHAR(36) CHARACTER SET ascii NOT NULL,
  celsius DOUBLE NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY cooling_lot (lot_id, at),
  CONSTRAINT cooling_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT cooling_bottling FOREIGN KEY (bottling_id) REFERENCES bottling (id),
  CONSTRAINT cooling_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE canner_load (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  number INT NOT NULL,
  process_id VARCHAR(60) NULL,
  name VARCHAR(120) NOT NULL,
  source VARCHAR(300) NOT NULL,
  required_minutes DOUBLE NOT NULL,
  rest_minutes DOUBLE NOT NULL,
  mismatches TEXT NOT NULL,
  limits VARCHAR(200) NOT NULL,
  bottles INT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  UNIQUE KEY load_number (lot_id, number),
  CONSTRAINT load_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT load_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE load_mark (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  load_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind ENUM('boil','stopped','off','lifted') NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY load_mark_lot (lot_id, at),
  CONSTRAINT load_mark_load FOREIGN KEY (load_id) REFERENCES canner_load (id),
  CONSTRAINT load_mark_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
ALTER TABLE heat_process ADD CONSTRAINT heat_process_load FOREIGN KEY (load_id) REFERENCES canner_load (id);

CREATE TABLE curve (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  load_id CHAR(36) CHARACTER SET ascii NULL,
  name VARCHAR(120) NOT NULL,
  samples MEDIUMTEXT NOT NULL,
  minutes DOUBLE NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY curve_lot (lot_id, at),
  CONSTRAINT curve_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT curve_load FOREIGN KEY (load_id) REFERENCES canner_load (id),
  CONSTRAINT curve_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What became of bottles whose seal failed.
CREATE TABLE fate (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  check_id CHAR(36) CHARACTER SET ascii NOT NULL,
  fate VARCHAR(20) NOT NULL,
  count INT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY fate_lot (lot_id, at),
  CONSTRAINT fate_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT fate_check FOREIGN KEY (check_id) REFERENCES seal_check (id),
  CONSTRAINT fate_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Something out of its limits; it stays open until its closing is recorded.
CREATE TABLE deviation (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind VARCHAR(30) NOT NULL,
  what VARCHAR(500) NOT NULL,
  entry_id CHAR(36) CHARACTER SET ascii NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY deviation_lot (lot_id, at),
  UNIQUE KEY deviation_once (entry_id, kind),
  CONSTRAINT deviation_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT deviation_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE deviation_closing (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  deviation_id CHAR(36) CHARACTER SET ascii NOT NULL,
  cause VARCHAR(500) NOT NULL,
  done VARCHAR(500) NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY closing_once (deviation_id),
  KEY closing_lot (lot_id, at),
  CONSTRAINT closing_deviation FOREIGN KEY (deviation_id) REFERENCES deviation (id),
  CONSTRAINT closing_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Where something that went in came from, said afterwards in words where no stock lot covers it.
CREATE TABLE origin (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  addition_id CHAR(36) CHARACTER SET ascii NOT NULL,
  words VARCHAR(120) NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY origin_lot (lot_id, at),
  CONSTRAINT origin_addition FOREIGN KEY (addition_id) REFERENCES addition (id),
  CONSTRAINT origin_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
