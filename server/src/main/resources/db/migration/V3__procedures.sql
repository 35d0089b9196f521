CREATE TABLE procedure_version (
  procedure_id   TEXT    NOT NULL,
  version        INTEGER NOT NULL,
  machine        TEXT    NOT NULL,
  title          TEXT    NOT NULL,
  kind           TEXT    NOT NULL,
  state          TEXT    NOT NULL CHECK (state IN ('DRAFT', 'APPROVED', 'RETIRED')),
  revision       INTEGER NOT NULL,
  document       TEXT    NOT NULL,
  author         TEXT    NOT NULL,
  saved_at       BIGINT  NOT NULL,
  stops          INTEGER NOT NULL,
  fixes          INTEGER NOT NULL,
  approved_by    TEXT,
  approved_at    BIGINT,
  approve_reason TEXT,
  PRIMARY KEY (procedure_id, version)
);
-- What was approved is frozen, whatever the program does.
CREATE TRIGGER approved_is_frozen BEFORE UPDATE OF document, title, machine ON procedure_version
WHEN OLD.state <> 'DRAFT'
BEGIN
  SELECT RAISE(ABORT, 'an approved procedure cannot be changed');
END;
CREATE TRIGGER approved_is_kept BEFORE DELETE ON procedure_version
WHEN OLD.state <> 'DRAFT'
BEGIN
  SELECT RAISE(ABORT, 'an approved procedure cannot be deleted');
END;
