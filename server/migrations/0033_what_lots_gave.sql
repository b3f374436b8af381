-- What a lot gave and how fast its pan boiled off is derived once, with its summary, and read from there.
ALTER TABLE lot_standing ADD COLUMN IF NOT EXISTS past LONGTEXT NULL;
ALTER TABLE lot_standing ADD COLUMN IF NOT EXISTS boil_rate DOUBLE NULL;
-- Bottles that were filled on a day, checks of one kind, words of a lot.
ALTER TABLE bottling ADD KEY IF NOT EXISTS bottling_at (at);
ALTER TABLE instrument_check ADD KEY IF NOT EXISTS check_series (instrument_id, kind, at);
ALTER TABLE lot_word ADD KEY IF NOT EXISTS lot_words (lot_id, word);
-- Stock by the day it is best before, contacts by name.
ALTER TABLE stock_lot ADD KEY IF NOT EXISTS stock_best_by (kitchen_id, best_by);
ALTER TABLE contact ADD KEY IF NOT EXISTS contact_name (kitchen_id, name, id);
-- A count or a loss of stock that was entered by mistake is struck like any other entry.
ALTER TABLE stock_taking
  ADD COLUMN struck_at DATETIME(3) NULL,
  ADD COLUMN struck_by CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN struck_why VARCHAR(500) NULL,
  ADD CONSTRAINT taking_struck FOREIGN KEY (struck_by) REFERENCES account (id);
-- How many lots were made of a formula.
CREATE TABLE formula_made (
  formula_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lots INT NOT NULL,
  CONSTRAINT made_formula FOREIGN KEY (formula_id) REFERENCES formula (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
INSERT INTO formula_made SELECT v.formula_id, COUNT(*) FROM lot l JOIN formula_version v ON v.id = l.version_id GROUP BY v.formula_id;
CREATE TRIGGER made_of_lot AFTER INSERT ON lot FOR EACH ROW INSERT INTO formula_made SELECT v.formula_id, 1 FROM formula_version v WHERE v.id = NEW.version_id ON DUPLICATE KEY UPDATE lots = lots + 1;
-- Lots of a formula that were looked at.
CREATE TABLE formula_looked (
  formula_id CHAR(36) CHARACTER SET ascii NOT NULL,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (formula_id, lot_id),
  CONSTRAINT looked_formula FOREIGN KEY (formula_id) REFERENCES formula (id),
  CONSTRAINT looked_lot FOREIGN KEY (lot_id) REFERENCES lot (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
INSERT INTO formula_looked SELECT DISTINCT v.formula_id, l.id FROM bottle_look k JOIN lot l ON l.id = k.lot_id JOIN formula_version v ON v.id = l.version_id;
CREATE TRIGGER looked_of_look AFTER INSERT ON bottle_look FOR EACH ROW INSERT IGNORE INTO formula_looked SELECT v.formula_id, l.id FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.id = NEW.lot_id;
