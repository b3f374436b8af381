-- What the kitchen says of its places: what a place is, or another name of the same one. Rows are only added.
CREATE TABLE place (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(60) NOT NULL,
  kind VARCHAR(10) CHARACTER SET ascii NULL,
  also_called VARCHAR(60) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY place_kitchen (kitchen_id, at),
  CONSTRAINT place_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT place_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Something that lots are made with, held: a stock lot, an instrument, a vessel, a heat process. It is lifted once, with the reason.
CREATE TABLE source_hold (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  noun VARCHAR(20) CHARACTER SET ascii NOT NULL,
  subject_id VARCHAR(60) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  recalled BOOLEAN NOT NULL,
  why VARCHAR(500) NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  lifted_at DATETIME(3) NULL,
  lifted_by CHAR(36) CHARACTER SET ascii NULL,
  lifted_why VARCHAR(500) NULL,
  KEY source_hold_kitchen (kitchen_id, lifted_at, noun, subject_id),
  CONSTRAINT source_hold_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT source_hold_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The supplier's own batch, as it stands on the bag.
ALTER TABLE stock_lot ADD COLUMN batch VARCHAR(60) NULL;

-- One entry may be out of the limits of several lots: a fridge that was warm.
ALTER TABLE deviation DROP KEY deviation_once, ADD UNIQUE KEY deviation_once (lot_id, entry_id, kind);

-- What a printed label says that later truth may shorten or add to: its date, and its warnings.
ALTER TABLE label_print ADD COLUMN best_by VARCHAR(10) CHARACTER SET ascii NULL, ADD COLUMN says LONGTEXT NULL CHECK (JSON_VALID(says));

-- Who was told that bottles they had are called back, by the movement by which they went.
CREATE TABLE telling (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  movement_id CHAR(36) CHARACTER SET ascii NOT NULL,
  how VARCHAR(200) NOT NULL,
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY telling_lot (lot_id, at),
  CONSTRAINT telling_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT telling_movement FOREIGN KEY (movement_id) REFERENCES movement (id),
  CONSTRAINT telling_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
