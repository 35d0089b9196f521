-- Entries that belong to no round stand in the same log, in the same chain: round_id is empty there.
-- SQLite cannot take a NOT NULL away, so the table is made anew; every row keeps its place and its hash.
CREATE TABLE floor_event_new (
  seq         INTEGER PRIMARY KEY AUTOINCREMENT,
  id          TEXT    NOT NULL UNIQUE,
  round_id    TEXT    REFERENCES round (id),
  pack_hash   TEXT    NOT NULL,
  step_id     TEXT    NOT NULL,
  kind        TEXT    NOT NULL,
  figures     TEXT    NOT NULL,
  who         TEXT    NOT NULL,
  device      TEXT    NOT NULL,
  tablet_time BIGINT  NOT NULL,
  server_time BIGINT  NOT NULL,
  prev_hash   TEXT    NOT NULL,
  hash        TEXT    NOT NULL UNIQUE,
  at          BIGINT,
  person      TEXT,
  role        TEXT,
  signed      BOOLEAN
);
INSERT INTO floor_event_new (seq, id, round_id, pack_hash, step_id, kind, figures, who, device, tablet_time,
    server_time, prev_hash, hash, at, person, role, signed)
  SELECT seq, id, round_id, pack_hash, step_id, kind, figures, who, device, tablet_time,
    server_time, prev_hash, hash, at, person, role, signed
  FROM floor_event ORDER BY seq;
DROP TABLE floor_event;
ALTER TABLE floor_event_new RENAME TO floor_event;
CREATE INDEX floor_event_round ON floor_event (round_id, seq);
CREATE TRIGGER floor_event_no_update BEFORE UPDATE ON floor_event
BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
CREATE TRIGGER floor_event_no_delete BEFORE DELETE ON floor_event
BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
