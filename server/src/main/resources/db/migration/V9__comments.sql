-- What people say of a step while a procedure is written; with the version, never changed.
CREATE TABLE step_comment (
  seq          INTEGER PRIMARY KEY AUTOINCREMENT,
  procedure_id TEXT    NOT NULL,
  version      INTEGER NOT NULL,
  step_id      TEXT    NOT NULL,
  text         TEXT    NOT NULL,
  who          TEXT    NOT NULL,
  at           BIGINT  NOT NULL
);
CREATE INDEX step_comment_by_procedure ON step_comment (procedure_id, version);
