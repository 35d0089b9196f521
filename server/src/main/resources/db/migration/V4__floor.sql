CREATE TABLE pack (
  hash     TEXT NOT NULL PRIMARY KEY,
  document TEXT NOT NULL
);
CREATE TABLE round (
  id           TEXT    NOT NULL PRIMARY KEY,
  pack_hash    TEXT    NOT NULL REFERENCES pack (hash),
  machine      TEXT    NOT NULL,
  procedure_id TEXT    NOT NULL,
  version      INTEGER NOT NULL,
  title        TEXT    NOT NULL,
  started_by   TEXT    NOT NULL,
  started_at   BIGINT  NOT NULL,
  closed_by    TEXT,
  closed_at    BIGINT,
  FOREIGN KEY (procedure_id, version) REFERENCES procedure_version (procedure_id, version)
);
-- One open round a machine.
CREATE UNIQUE INDEX one_open_round ON round (machine) WHERE closed_at IS NULL;

-- The floor's log: append-only, each entry chained to the one before it on this site.
CREATE TABLE floor_event (
  seq         INTEGER PRIMARY KEY AUTOINCREMENT,
  id          TEXT    NOT NULL UNIQUE,
  round_id    TEXT    NOT NULL REFERENCES round (id),
  pack_hash   TEXT    NOT NULL,
  step_id     TEXT    NOT NULL,
  kind        TEXT    NOT NULL,
  figures     TEXT    NOT NULL,
  who         TEXT    NOT NULL,
  device      TEXT    NOT NULL,
  tablet_time BIGINT  NOT NULL,
  server_time BIGINT  NOT NULL,
  prev_hash   TEXT    NOT NULL,
  hash        TEXT    NOT NULL UNIQUE
);
CREATE INDEX floor_event_round ON floor_event (round_id, seq);
CREATE TRIGGER floor_event_no_update BEFORE UPDATE ON floor_event
BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
CREATE TRIGGER floor_event_no_delete BEFORE DELETE ON floor_event
BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
