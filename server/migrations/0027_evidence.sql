-- Hot fill is read with a named thermometer; glass for short processes is boiled before.
ALTER TABLE bottling ADD COLUMN instrument_id CHAR(36) CHARACTER SET ascii NULL, ADD COLUMN sterile BOOLEAN NULL;
ALTER TABLE bottling ADD CONSTRAINT bottling_instrument FOREIGN KEY (instrument_id) REFERENCES instrument (id);

-- When the beginning of a lot was written down: one that is written down as it happens takes nothing that is dated back.
ALTER TABLE lot ADD COLUMN written_at DATETIME(3) NULL;

-- Since when the kitchen is where it is: an elevation that is put right holds for every lot begun since.
ALTER TABLE kitchen ADD COLUMN elevation_since DATETIME(3) NULL;

-- When the last row of a kitchen's journal was written: a clock that goes back does not take the order with it.
ALTER TABLE journal_head ADD COLUMN written_at DATETIME(3) NULL;

-- By which rules a lot was released; empty where that was before rules had a version.
ALTER TABLE decision ADD COLUMN rule_set VARCHAR(40) CHARACTER SET ascii NULL;

-- What a released lot lacks by rules that came after its release, as they were first asked of it.
CREATE TABLE rule_gap (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  rule_set VARCHAR(40) CHARACTER SET ascii NOT NULL,
  gate VARCHAR(20) CHARACTER SET ascii NOT NULL,
  missing VARCHAR(2000) NOT NULL,
  record_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  at DATETIME(3) NOT NULL,
  UNIQUE KEY rule_gap_of (lot_id, rule_set, gate),
  KEY rule_gap_kitchen (kitchen_id, rule_set, lot_id),
  CONSTRAINT rule_gap_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT rule_gap_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Under which rules the lots of this installation were looked through.
CREATE TABLE rules_in_force (
  rule_set VARCHAR(40) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

-- What a person settled of a lot that was released under earlier rules.
CREATE TABLE settling (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  rule_set VARCHAR(40) CHARACTER SET ascii NOT NULL,
  why VARCHAR(500) NOT NULL,
  signed BOOLEAN NOT NULL,
  record_hash CHAR(64) CHARACTER SET ascii NULL,
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY settling_lot (lot_id, at),
  CONSTRAINT settling_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT settling_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
