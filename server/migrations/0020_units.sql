-- What the kitchen reads its temperatures in and weighs in: what is stored stays in degrees Celsius and grams.
ALTER TABLE kitchen ADD COLUMN temperature_unit ENUM('C','F') NOT NULL DEFAULT 'C';
ALTER TABLE kitchen ADD COLUMN weight_unit ENUM('metric','us') NOT NULL DEFAULT 'metric';
-- How it writes days, hours and money.
ALTER TABLE kitchen ADD COLUMN locale VARCHAR(12) CHARACTER SET ascii NOT NULL DEFAULT 'en-GB';
