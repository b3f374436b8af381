-- Formulas and their versions, instruments, containers, lots and all that is recorded of them.
CREATE TABLE formula (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  current_version INT NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY formula_kitchen (kitchen_id, created_at),
  CONSTRAINT formula_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE formula_version (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  formula_id CHAR(36) CHARACTER SET ascii NOT NULL,
  number INT NOT NULL,
  name VARCHAR(120) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  colour CHAR(7) NOT NULL,
  note VARCHAR(2000) NOT NULL DEFAULT '',
  content LONGTEXT NOT NULL,
  saved_at DATETIME(3) NOT NULL,
  saved_by CHAR(36) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY version_number (formula_id, number),
  CONSTRAINT version_formula FOREIGN KEY (formula_id) REFERENCES formula (id),
  CONSTRAINT version_account FOREIGN KEY (saved_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE instrument (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind VARCHAR(20) NOT NULL,
  name VARCHAR(120) NOT NULL,
  compensated BOOLEAN NOT NULL DEFAULT FALSE,
  created_at DATETIME(3) NOT NULL,
  CONSTRAINT instrument_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE calibration (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  instrument_id CHAR(36) CHARACTER SET ascii NOT NULL,
  points TEXT NOT NULL,
  slope_percent DOUBLE NOT NULL,
  offset_mv DOUBLE NOT NULL,
  low ENUM('checked','failed','missing') NOT NULL,
  accepted BOOLEAN NOT NULL,
  reason VARCHAR(300) NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY calibration_instrument (instrument_id, at),
  CONSTRAINT calibration_instrument FOREIGN KEY (instrument_id) REFERENCES instrument (id),
  CONSTRAINT calibration_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE container (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  nominal_ml DOUBLE NOT NULL,
  height_mm DOUBLE NOT NULL,
  diameter_mm DOUBLE NOT NULL,
  closure VARCHAR(30) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  CONSTRAINT container_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE lot (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  code VARCHAR(8) CHARACTER SET ascii NOT NULL,
  version_id CHAR(36) CHARACTER SET ascii NOT NULL,
  scale DOUBLE NOT NULL,
  cup_school VARCHAR(20) NULL,
  critical_ph DOUBLE NOT NULL,
  elevation_metres DOUBLE NOT NULL,
  storage VARCHAR(10) NOT NULL,
  begun_at DATETIME(3) NOT NULL,
  begun_by CHAR(36) CHARACTER SET ascii NOT NULL,
  state VARCHAR(12) NOT NULL,
  held_from VARCHAR(12) NULL,
  UNIQUE KEY lot_code (kitchen_id, code),
  KEY lot_state (kitchen_id, state),
  KEY lot_begun (kitchen_id, begun_at, id),
  CONSTRAINT lot_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT lot_version FOREIGN KEY (version_id) REFERENCES formula_version (id),
  CONSTRAINT lot_account FOREIGN KEY (begun_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE lot_step (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  position INT NOT NULL,
  formula_step_id VARCHAR(40) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  title VARCHAR(120) NOT NULL,
  minutes DOUBLE NULL,
  kill_step BOOLEAN NOT NULL,
  UNIQUE KEY step_position (lot_id, position),
  CONSTRAINT step_lot FOREIGN KEY (lot_id) REFERENCES lot (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE step_mark (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  step_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind ENUM('start','pause','done','reopen') NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY mark_lot (lot_id, at),
  CONSTRAINT mark_step FOREIGN KEY (step_id) REFERENCES lot_step (id),
  CONSTRAINT mark_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE addition (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  step_id CHAR(36) CHARACTER SET ascii NULL,
  line_id VARCHAR(40) NULL,
  ingredient_id VARCHAR(60) NOT NULL,
  grams DOUBLE NOT NULL,
  why VARCHAR(500) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY addition_lot (lot_id, at),
  CONSTRAINT addition_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT addition_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE reading (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  step_id CHAR(36) CHARACTER SET ascii NULL,
  kind VARCHAR(20) NOT NULL,
  sample ENUM('pan','finished') NOT NULL,
  said VARCHAR(500) NOT NULL,
  raw DOUBLE NULL,
  celsius DOUBLE NULL,
  value DOUBLE NULL,
  instrument_id CHAR(36) CHARACTER SET ascii NULL,
  note VARCHAR(500) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY reading_lot (lot_id, at),
  CONSTRAINT reading_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT reading_instrument FOREIGN KEY (instrument_id) REFERENCES instrument (id),
  CONSTRAINT reading_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE bottling (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  container_id CHAR(36) CHARACTER SET ascii NOT NULL,
  count INT NOT NULL,
  fill_celsius DOUBLE NULL,
  closing ENUM('hot','cooled') NOT NULL,
  hours_to_cold DOUBLE NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY bottling_lot (lot_id, at),
  CONSTRAINT bottling_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT bottling_container FOREIGN KEY (container_id) REFERENCES container (id),
  CONSTRAINT bottling_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE heat_process (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  process_id VARCHAR(60) NULL,
  name VARCHAR(120) NOT NULL,
  source VARCHAR(300) NOT NULL,
  required_minutes DOUBLE NOT NULL,
  minutes DOUBLE NOT NULL,
  mismatches TEXT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY heat_process_lot (lot_id, at),
  CONSTRAINT heat_process_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT heat_process_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE seal_check (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  checked INT NOT NULL,
  failed INT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  struck_at DATETIME(3) NULL,
  struck_by CHAR(36) CHARACTER SET ascii NULL,
  struck_why VARCHAR(500) NULL,
  KEY seal_check_lot (lot_id, at),
  CONSTRAINT seal_check_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT seal_check_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE movement (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  bottling_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind VARCHAR(20) NOT NULL,
  from_place VARCHAR(60) NULL,
  to_place VARCHAR(60) NULL,
  count INT NOT NULL,
  price_minor BIGINT NULL,
  note VARCHAR(200) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY movement_lot (lot_id, at),
  KEY movement_kind (kind, at),
  CONSTRAINT movement_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT movement_bottling FOREIGN KEY (bottling_id) REFERENCES bottling (id),
  CONSTRAINT movement_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE decision (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  event VARCHAR(20) NOT NULL,
  from_state VARCHAR(12) NOT NULL,
  to_state VARCHAR(12) NOT NULL,
  why VARCHAR(500) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY decision_lot (lot_id, at),
  CONSTRAINT decision_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT decision_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE label_print (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  copies INT NOT NULL,
  statement TEXT NOT NULL,
  label TEXT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY print_lot (lot_id, at),
  CONSTRAINT print_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT print_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
