-- What a kitchen decided of its labels: nutrition, dates, second language, local statements.
ALTER TABLE kitchen ADD COLUMN labelling LONGTEXT NULL CHECK (JSON_VALID(labelling));

-- Faces of a container, for the type sizes and the room of its label.
ALTER TABLE container ADD COLUMN shape ENUM('round','flat-sided') NOT NULL DEFAULT 'round',
  ADD COLUMN depth_mm DOUBLE NULL, ADD COLUMN wall_mm DOUBLE NULL;

-- The owner's picture or mark, drawn anew as PNG: nothing of the file that was sent is kept.
CREATE TABLE label_picture (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  image LONGBLOB NOT NULL,
  created_at DATETIME(3) NOT NULL,
  retired_at DATETIME(3) NULL,
  KEY label_picture_kitchen (kitchen_id, name),
  CONSTRAINT label_picture_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- How the label of a product is drawn: one design a formula.
CREATE TABLE label_design (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  formula_id CHAR(36) CHARACTER SET ascii NOT NULL,
  picture_id CHAR(36) CHARACTER SET ascii NULL,
  design LONGTEXT NOT NULL CHECK (JSON_VALID(design)),
  revision INT NOT NULL,
  UNIQUE KEY label_design_one (kitchen_id, formula_id),
  CONSTRAINT label_design_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT label_design_formula FOREIGN KEY (formula_id) REFERENCES formula (id),
  CONSTRAINT label_design_picture FOREIGN KEY (picture_id) REFERENCES label_picture (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A sheet of blank labels by its measures.
CREATE TABLE label_sheet (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  measures LONGTEXT NOT NULL CHECK (JSON_VALID(measures)),
  revision INT NOT NULL,
  retired_at DATETIME(3) NULL,
  KEY label_sheet_kitchen (kitchen_id, name),
  CONSTRAINT label_sheet_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A print says on which sheet, from which label and bottle on, what it prints anew and which differences were seen.
ALTER TABLE label_print
  ADD COLUMN sheet_id CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN first_label INT NULL,
  ADD COLUMN first_bottle INT NULL,
  ADD COLUMN reprint_of CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN why VARCHAR(500) NULL,
  ADD COLUMN differences LONGTEXT NOT NULL DEFAULT '[]' CHECK (JSON_VALID(differences)),
  ADD CONSTRAINT label_print_sheet FOREIGN KEY (sheet_id) REFERENCES label_sheet (id),
  ADD CONSTRAINT label_print_reprint FOREIGN KEY (reprint_of) REFERENCES label_print (id);
ALTER TABLE label_print ALTER differences DROP DEFAULT;

-- Labels that were printed and did not go onto a bottle.
CREATE TABLE label_spoilt (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  print_id CHAR(36) CHARACTER SET ascii NOT NULL,
  `count` INT NOT NULL,
  why VARCHAR(500) NOT NULL,
  at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  KEY label_spoilt_lot (lot_id, at),
  CONSTRAINT label_spoilt_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT label_spoilt_print FOREIGN KEY (print_id) REFERENCES label_print (id),
  CONSTRAINT label_spoilt_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
