-- When an entry was made, by the server's clock: a tablet without signal sends it later, and its own
-- clock may be wrong. Null for entries from before, which were made when they came in.
ALTER TABLE floor_event ADD COLUMN at BIGINT;
-- Two accounts of one person are one person where somebody else has to look.
ALTER TABLE account ADD COLUMN same_as TEXT;
CREATE TABLE photo (
  sha256   TEXT   NOT NULL PRIMARY KEY,
  type     TEXT   NOT NULL,
  bytes    BLOB   NOT NULL,
  taken_by TEXT   NOT NULL,
  taken_at BIGINT NOT NULL
);
-- What the machine was used for between rounds: production began, an event made it dirty.
CREATE TABLE machine_use (
  seq     INTEGER PRIMARY KEY AUTOINCREMENT,
  machine TEXT    NOT NULL,
  kind    TEXT    NOT NULL,
  note    TEXT    NOT NULL,
  who     TEXT    NOT NULL,
  at      BIGINT  NOT NULL
);
CREATE INDEX machine_use_machine ON machine_use (machine, seq);
