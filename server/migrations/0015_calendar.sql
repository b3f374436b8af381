-- The secret address of a person's calendar, by the hash of its secret; it can be withdrawn.
CREATE TABLE calendar_address (
  account_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  made_at DATETIME(3) NOT NULL,
  UNIQUE KEY calendar_token (token_hash),
  CONSTRAINT calendar_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
