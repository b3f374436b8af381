-- A spreadsheet that was brought in: what was kept elsewhere before. What came with it stays when it is withdrawn, and is no longer shown.
CREATE TABLE spreadsheet (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind ENUM('lots','sales','stock','contacts') NOT NULL,
  file_name VARCHAR(200) NOT NULL,
  row_count INT NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  withdrawn_at DATETIME(3) NULL,
  withdrawn_by CHAR(36) CHARACTER SET ascii NULL,
  withdrawn_why VARCHAR(500) NULL,
  KEY spreadsheet_kitchen (kitchen_id, at),
  CONSTRAINT spreadsheet_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT spreadsheet_account FOREIGN KEY (account_id) REFERENCES account (id),
  CONSTRAINT spreadsheet_withdrawn FOREIGN KEY (withdrawn_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A lot that was made and written down elsewhere: its figures are what the spreadsheet says, nothing here measured them.
CREATE TABLE earlier_lot (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  spreadsheet_id CHAR(36) CHARACTER SET ascii NOT NULL,
  sheet_row INT NOT NULL,
  code VARCHAR(40) NOT NULL,
  name VARCHAR(120) NOT NULL,
  made_on DATE NOT NULL,
  bottles INT NULL,
  bottle_ml DOUBLE NULL,
  best_by DATE NULL,
  ph DOUBLE NULL,
  brix DOUBLE NULL,
  note VARCHAR(500) NULL,
  KEY earlier_lot_made (kitchen_id, made_on, id),
  KEY earlier_lot_code (kitchen_id, code),
  CONSTRAINT earlier_lot_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT earlier_lot_spreadsheet FOREIGN KEY (spreadsheet_id) REFERENCES spreadsheet (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE earlier_sale (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  spreadsheet_id CHAR(36) CHARACTER SET ascii NOT NULL,
  sheet_row INT NOT NULL,
  earlier_lot_id CHAR(36) CHARACTER SET ascii NULL,
  name VARCHAR(120) NOT NULL,
  sold_on DATE NOT NULL,
  bottles INT NOT NULL,
  buyer VARCHAR(120) NULL,
  place VARCHAR(120) NULL,
  price_minor BIGINT NULL,
  note VARCHAR(500) NULL,
  CONSTRAINT earlier_sale_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT earlier_sale_spreadsheet FOREIGN KEY (spreadsheet_id) REFERENCES spreadsheet (id),
  CONSTRAINT earlier_sale_lot FOREIGN KEY (earlier_lot_id) REFERENCES earlier_lot (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE contact (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  spreadsheet_id CHAR(36) CHARACTER SET ascii NULL,
  sheet_row INT NULL,
  name VARCHAR(120) NOT NULL,
  email VARCHAR(200) NULL,
  phone VARCHAR(60) NULL,
  address VARCHAR(300) NULL,
  note VARCHAR(500) NULL,
  retired_at DATETIME(3) NULL,
  KEY contact_name (kitchen_id, name, id),
  CONSTRAINT contact_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT contact_spreadsheet FOREIGN KEY (spreadsheet_id) REFERENCES spreadsheet (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE stock_lot
  ADD COLUMN spreadsheet_id CHAR(36) CHARACTER SET ascii NULL,
  ADD CONSTRAINT stock_spreadsheet FOREIGN KEY (spreadsheet_id) REFERENCES spreadsheet (id);

-- Sales of a kitchen by their time: an index over movements and earlier sales, kept by triggers.
CREATE TABLE sale (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY sale_time (kitchen_id, at, id),
  CONSTRAINT sale_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
INSERT INTO sale SELECT m.id, l.kitchen_id, m.at FROM movement m JOIN lot l ON l.id = m.lot_id WHERE m.kind = 'sold';
CREATE TRIGGER sale_of_movement AFTER INSERT ON movement FOR EACH ROW INSERT INTO sale SELECT NEW.id, l.kitchen_id, NEW.at FROM lot l WHERE l.id = NEW.lot_id AND NEW.kind = 'sold';
CREATE TRIGGER sale_of_earlier AFTER INSERT ON earlier_sale FOR EACH ROW INSERT INTO sale VALUES (NEW.id, NEW.kitchen_id, ADDTIME(CAST(NEW.sold_on AS DATETIME(3)), '12:00:00'));
