-- The kitchen, its people, and the journal of everything that changes.
CREATE TABLE kitchen (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  place VARCHAR(2000) NOT NULL DEFAULT '',
  elevation_metres DOUBLE NOT NULL DEFAULT 0,
  cup_school VARCHAR(20) NULL,
  rule_pack VARCHAR(8) NOT NULL DEFAULT 'us',
  local_statement VARCHAR(2000) NOT NULL DEFAULT '',
  critical_ph DOUBLE NOT NULL DEFAULT 4.2,
  currency CHAR(3) NOT NULL DEFAULT 'USD',
  time_zone VARCHAR(60) NOT NULL DEFAULT 'UTC',
  lot_serial INT NOT NULL DEFAULT 0,
  revision INT NOT NULL DEFAULT 1,
  created_at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE account (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  role ENUM('owner','maker','reader') NOT NULL,
  password_hash VARCHAR(255) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY account_name (name),
  CONSTRAINT account_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE session (
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  KEY session_expiry (expires_at),
  CONSTRAINT session_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE sign_in_attempt (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY attempt_name (name, at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE journal_head (
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  sequence BIGINT UNSIGNED NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  CONSTRAINT journal_head_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE journal (
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  sequence BIGINT UNSIGNED NOT NULL,
  at DATETIME(3) NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  noun VARCHAR(30) NOT NULL,
  noun_id CHAR(36) CHARACTER SET ascii NOT NULL,
  lot_id CHAR(36) CHARACTER SET ascii NULL,
  action VARCHAR(30) NOT NULL,
  payload LONGTEXT NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (kitchen_id, sequence),
  KEY journal_lot (lot_id, sequence),
  CONSTRAINT journal_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
