-- Tablets that the site knows. On one of them a person signs in with their PIN alone.
CREATE TABLE tablet (
  id           INTEGER PRIMARY KEY AUTOINCREMENT,
  name         TEXT   NOT NULL,
  token_hash   TEXT   NOT NULL UNIQUE,
  enrolled_by  TEXT   NOT NULL,
  enrolled_at  BIGINT NOT NULL,
  withdrawn_at BIGINT
);
CREATE UNIQUE INDEX tablet_name ON tablet (name) WHERE withdrawn_at IS NULL;
-- A code that a supervisor has given out for one tablet; gone once it was used, is over, or was guessed at.
CREATE TABLE tablet_code (
  name      TEXT    NOT NULL PRIMARY KEY,
  code_hash TEXT    NOT NULL,
  given_by  TEXT    NOT NULL,
  until     BIGINT  NOT NULL,
  failed    INTEGER NOT NULL DEFAULT 0
);
