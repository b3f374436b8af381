-- Which build of the program derived the standings: another build may judge otherwise, and derives them anew.
CREATE TABLE judged_by (
  id TINYINT NOT NULL PRIMARY KEY CHECK (id = 1),
  build CHAR(64) CHARACTER SET ascii NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
