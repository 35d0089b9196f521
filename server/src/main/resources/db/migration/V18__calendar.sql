-- Addresses by which a calendar outside takes what is due: only the hash of the secret in it is kept. Withdrawn by
-- a time, so that it is known who had one.
CREATE TABLE calendar_address (
  id           INTEGER PRIMARY KEY AUTOINCREMENT,
  token_hash   TEXT   NOT NULL UNIQUE,
  made_by      TEXT   NOT NULL,
  made_at      BIGINT NOT NULL,
  withdrawn_at BIGINT
);
