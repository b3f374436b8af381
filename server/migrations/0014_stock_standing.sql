-- What is left of a stock lot: a cache, as the standings of lots are.
CREATE TABLE stock_standing (
  stock_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  touched BIGINT NOT NULL,
  sequence BIGINT NOT NULL DEFAULT -1,
  stale TINYINT AS (sequence < touched) STORED,
  left_amount DOUBLE NOT NULL DEFAULT 0,
  KEY stock_standing_stale (kitchen_id, stale, stock_id),
  KEY stock_standing_left (kitchen_id, left_amount, stock_id),
  CONSTRAINT stock_standing_stock FOREIGN KEY (stock_id) REFERENCES stock_lot (id),
  CONSTRAINT stock_standing_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE stock_lot ADD KEY stock_got_on (kitchen_id, got_on, number);
