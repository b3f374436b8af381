-- A sale, a gift, a move or a print that was entered by mistake is struck like any other entry.
ALTER TABLE movement
  ADD COLUMN struck_at DATETIME(3) NULL,
  ADD COLUMN struck_by CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN struck_why VARCHAR(500) NULL,
  ADD CONSTRAINT movement_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE label_print
  ADD COLUMN struck_at DATETIME(3) NULL,
  ADD COLUMN struck_by CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN struck_why VARCHAR(500) NULL,
  ADD CONSTRAINT label_print_struck FOREIGN KEY (struck_by) REFERENCES account (id);
