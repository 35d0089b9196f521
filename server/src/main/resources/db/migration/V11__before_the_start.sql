-- On which machines somebody was shown the work, and by whom it is said so. Withdrawn by deleting;
-- the site's log keeps both.
CREATE TABLE training (
  account_id INTEGER NOT NULL REFERENCES account (id),
  machine    TEXT    NOT NULL,
  at         BIGINT  NOT NULL,
  said_by    TEXT    NOT NULL,
  PRIMARY KEY (account_id, machine)
);
-- Who has started rounds at a machine so far goes on doing so.
INSERT INTO training (account_id, machine, at, said_by)
  SELECT account.id, round.machine, min(round.started_at), 'rounds before this was kept'
  FROM round JOIN account ON account.name = round.started_by
  GROUP BY account.id, round.machine;
-- Spare wear parts as they were counted; the newest count holds.
CREATE TABLE spare_count (
  seq     INTEGER PRIMARY KEY AUTOINCREMENT,
  machine TEXT    NOT NULL,
  part    TEXT    NOT NULL,
  count   INTEGER NOT NULL,
  who     TEXT    NOT NULL,
  at      BIGINT  NOT NULL
);
CREATE INDEX spare_count_machine ON spare_count (machine, seq);
