-- Stock lots, what went of them, packs as things are sold, the basket; plans.
CREATE TABLE stock_lot (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  number INT NOT NULL,
  kind ENUM('ingredient','packaging') NOT NULL,
  thing VARCHAR(60) NOT NULL,
  quantity DOUBLE NOT NULL,
  said VARCHAR(120) NOT NULL,
  words VARCHAR(120) NOT NULL,
  supplier VARCHAR(120) NOT NULL,
  cost_minor BIGINT NULL,
  got_on DATE NOT NULL,
  best_by DATE NULL,
  measured TEXT NULL,
  allergens TEXT NOT NULL,
  left_by CHAR(36) CHARACTER SET ascii NULL,
  divided_from CHAR(36) CHARACTER SET ascii NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY stock_number (kitchen_id, number),
  KEY stock_thing (kitchen_id, thing, got_on),
  CONSTRAINT stock_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT stock_left_by FOREIGN KEY (left_by) REFERENCES lot (id),
  CONSTRAINT stock_divided FOREIGN KEY (divided_from) REFERENCES stock_lot (id),
  CONSTRAINT stock_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE stock_taking (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  stock_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind ENUM('used','filled','printed','divided','wasted','spoiled','counted') NOT NULL,
  amount DOUBLE NOT NULL,
  lot_id CHAR(36) CHARACTER SET ascii NULL,
  addition_id CHAR(36) CHARACTER SET ascii NULL,
  bottling_id CHAR(36) CHARACTER SET ascii NULL,
  print_id CHAR(36) CHARACTER SET ascii NULL,
  into_stock_id CHAR(36) CHARACTER SET ascii NULL,
  why VARCHAR(500) NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY taking_stock (stock_id, at),
  KEY taking_lot (lot_id),
  CONSTRAINT taking_stock FOREIGN KEY (stock_id) REFERENCES stock_lot (id),
  CONSTRAINT taking_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT taking_addition FOREIGN KEY (addition_id) REFERENCES addition (id),
  CONSTRAINT taking_bottling FOREIGN KEY (bottling_id) REFERENCES bottling (id),
  CONSTRAINT taking_print FOREIGN KEY (print_id) REFERENCES label_print (id),
  CONSTRAINT taking_into FOREIGN KEY (into_stock_id) REFERENCES stock_lot (id),
  CONSTRAINT taking_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE pack (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  number INT NOT NULL,
  kind ENUM('ingredient','packaging') NOT NULL,
  thing VARCHAR(60) NOT NULL,
  said VARCHAR(60) NOT NULL,
  size DOUBLE NOT NULL,
  price_minor BIGINT NOT NULL,
  supplier VARCHAR(120) NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  saved_at DATETIME(3) NOT NULL,
  saved_by CHAR(36) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY pack_number (kitchen_id, number),
  CONSTRAINT pack_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT pack_account FOREIGN KEY (saved_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE basket (
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  thing VARCHAR(60) NOT NULL,
  kind ENUM('ingredient','packaging') NOT NULL,
  said VARCHAR(120) NOT NULL,
  amount DOUBLE NOT NULL,
  paid_minor BIGINT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (kitchen_id, thing),
  CONSTRAINT basket_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT basket_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE plan (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  content LONGTEXT NOT NULL,
  done BOOLEAN NOT NULL DEFAULT FALSE,
  revision INT NOT NULL DEFAULT 1,
  saved_at DATETIME(3) NOT NULL,
  saved_by CHAR(36) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY plan_kitchen (kitchen_id, done, created_at),
  CONSTRAINT plan_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT plan_account FOREIGN KEY (saved_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE kitchen ADD COLUMN stock_serial INT NOT NULL DEFAULT 0;
ALTER TABLE kitchen ADD COLUMN workshop TEXT NULL;
ALTER TABLE addition ADD COLUMN before_grams DOUBLE NULL AFTER grams;
