-- Standings: what lists show of a lot, derived from its record. A cache: rows may be removed and are made again.
-- "touched" is the journal sequence at which something that it rests on was last written, "sequence" the one it was computed at.
CREATE TABLE lot_standing (
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  touched BIGINT NOT NULL,
  sequence BIGINT NOT NULL DEFAULT -1,
  stale TINYINT AS (sequence < touched) STORED,
  settings CHAR(16) CHARACTER SET ascii NOT NULL DEFAULT '',
  code VARCHAR(20) CHARACTER SET ascii NOT NULL DEFAULT '',
  name VARCHAR(120) NOT NULL DEFAULT '',
  state VARCHAR(20) CHARACTER SET ascii NOT NULL DEFAULT '',
  begun_at DATETIME(3) NOT NULL DEFAULT '2000-01-01 00:00:00.000',
  best_by DATE NOT NULL DEFAULT '9999-12-31',
  bottles_left INT NOT NULL DEFAULT 0,
  on_hand TINYINT NOT NULL DEFAULT 1,
  content LONGTEXT NULL CHECK (content IS NULL OR JSON_VALID(content)),
  broken VARCHAR(500) NULL,
  KEY standing_stale (kitchen_id, stale, lot_id),
  KEY standing_begun (kitchen_id, begun_at, lot_id),
  KEY standing_on_hand (kitchen_id, on_hand, begun_at, lot_id),
  KEY standing_state (kitchen_id, state, begun_at, lot_id),
  KEY standing_left (kitchen_id, state, bottles_left),
  KEY standing_best_by (kitchen_id, best_by, lot_id),
  KEY standing_name (kitchen_id, name, lot_id),
  CONSTRAINT standing_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
  CONSTRAINT standing_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The words that a lot is found by.
CREATE TABLE lot_word (
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  word VARCHAR(40) COLLATE utf8mb4_bin NOT NULL,
  lot_id CHAR(36) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (kitchen_id, word, lot_id),
  KEY word_lot (lot_id),
  CONSTRAINT word_lot FOREIGN KEY (lot_id) REFERENCES lot (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

ALTER TABLE reading ADD KEY reading_instrument_at (instrument_id, at, lot_id);
