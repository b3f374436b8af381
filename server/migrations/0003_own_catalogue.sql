-- What a kitchen itself knows of its ingredients: added to, never changed; the newest counts.
CREATE TABLE own_ingredient (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  ingredient_id VARCHAR(60) NOT NULL,
  number INT NOT NULL,
  entry LONGTEXT NULL,
  measured TEXT NULL,
  label TEXT NULL,
  price_per_kg_minor BIGINT NULL,
  saved_at DATETIME(3) NOT NULL,
  saved_by CHAR(36) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY own_number (kitchen_id, ingredient_id, number),
  CONSTRAINT own_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT own_account FOREIGN KEY (saved_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE own_measure (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  number INT NOT NULL,
  name VARCHAR(40) NOT NULL,
  ingredient_id VARCHAR(60) NULL,
  grams DOUBLE NULL,
  millilitres DOUBLE NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  saved_at DATETIME(3) NOT NULL,
  saved_by CHAR(36) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY measure_number (kitchen_id, number),
  CONSTRAINT measure_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT measure_account FOREIGN KEY (saved_by) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE formula ADD COLUMN archived_at DATETIME(3) NULL;
-- The kitchen's own entry as it stood when it went in; a later change of it does not reach the record.
ALTER TABLE addition ADD COLUMN entry LONGTEXT NULL AFTER ingredient_id;
