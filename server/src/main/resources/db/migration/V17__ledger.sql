-- The ledger: SHA-256 of every row that was signed or is judged by, in a chain. The triggers below
-- write it, so that no way in goes past it; they call a function that the program brings, so that
-- nothing else writes to these tables unnoticed. A test holds them to orthopur.ledger.Sealed.
CREATE TABLE ledger (
  seq       INTEGER PRIMARY KEY AUTOINCREMENT,
  kind      TEXT   NOT NULL,
  ref       TEXT   NOT NULL,
  sha256    TEXT   NOT NULL,
  at        BIGINT NOT NULL,
  note      TEXT,
  prev_hash TEXT   NOT NULL,
  hash      TEXT   NOT NULL
);
CREATE TRIGGER ledger_no_update BEFORE UPDATE ON ledger
BEGIN SELECT RAISE(ABORT, 'the ledger is append-only'); END;
CREATE TRIGGER ledger_no_delete BEFORE DELETE ON ledger
BEGIN SELECT RAISE(ABORT, 'the ledger is append-only'); END;
-- Where both chains ended at a moment, signed with a key that does not lie here.
CREATE TABLE log_head (
  seq        INTEGER PRIMARY KEY AUTOINCREMENT,
  epoch      INTEGER NOT NULL,
  key_id     TEXT    NOT NULL,
  at         BIGINT  NOT NULL,
  entry      BIGINT  NOT NULL,
  entry_hash TEXT    NOT NULL,
  ledger_row BIGINT  NOT NULL,
  row_hash   TEXT    NOT NULL,
  note       TEXT,
  before     TEXT    NOT NULL,
  mac        TEXT    NOT NULL
);
CREATE TRIGGER log_head_no_update BEFORE UPDATE ON log_head
BEGIN SELECT RAISE(ABORT, 'a head is never changed'); END;
CREATE TRIGGER log_head_no_delete BEFORE DELETE ON log_head
BEGIN SELECT RAISE(ABORT, 'a head is never deleted'); END;
CREATE TRIGGER account_sealed_insert AFTER INSERT ON account
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'account' AS kind, CAST(NEW.id AS TEXT) AS ref,
      fingerprint(NEW."id", NEW."name", NEW."role", NEW."password_hash", NEW."pin_hash", NEW."pin_own", NEW."adult_from", NEW."same_as", NEW."left_at", NEW."epoch") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER account_sealed_update AFTER UPDATE OF "id", "name", "role", "password_hash", "pin_hash", "pin_own", "adult_from", "same_as", "left_at", "epoch" ON account
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'account' AS kind, CAST(NEW.id AS TEXT) AS ref,
      fingerprint(NEW."id", NEW."name", NEW."role", NEW."password_hash", NEW."pin_hash", NEW."pin_own", NEW."adult_from", NEW."same_as", NEW."left_at", NEW."epoch") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER account_sealed_delete AFTER DELETE ON account
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'account' AS kind, CAST(OLD.id AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER sheet_sealed_insert AFTER INSERT ON sheet
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'sheet' AS kind, CAST(NEW.code || '@' || NEW.version AS TEXT) AS ref,
      fingerprint(NEW."code", NEW."version", NEW."name", NEW."document", NEW."saved_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER sheet_sealed_update AFTER UPDATE OF "code", "version", "name", "document", "saved_at" ON sheet
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'sheet' AS kind, CAST(NEW.code || '@' || NEW.version AS TEXT) AS ref,
      fingerprint(NEW."code", NEW."version", NEW."name", NEW."document", NEW."saved_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER sheet_sealed_delete AFTER DELETE ON sheet
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'sheet' AS kind, CAST(OLD.code || '@' || OLD.version AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER site_document_sealed_insert AFTER INSERT ON site_document
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'site_document' AS kind, CAST(NEW.kind AS TEXT) AS ref,
      fingerprint(NEW."kind", NEW."document", NEW."saved_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER site_document_sealed_update AFTER UPDATE OF "kind", "document", "saved_at" ON site_document
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'site_document' AS kind, CAST(NEW.kind AS TEXT) AS ref,
      fingerprint(NEW."kind", NEW."document", NEW."saved_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER site_document_sealed_delete AFTER DELETE ON site_document
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'site_document' AS kind, CAST(OLD.kind AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER procedure_version_sealed_insert AFTER INSERT ON procedure_version
WHEN NEW.state <> 'DRAFT' BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'procedure_version' AS kind, CAST(NEW.procedure_id || '@' || NEW.version AS TEXT) AS ref,
      fingerprint(NEW."procedure_id", NEW."version", NEW."machine", NEW."title", NEW."kind", NEW."state", NEW."document", NEW."author", NEW."stops", NEW."fixes", NEW."approved_by", NEW."approved_at", NEW."approve_reason") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER procedure_version_sealed_update AFTER UPDATE OF "procedure_id", "version", "machine", "title", "kind", "state", "document", "author", "stops", "fixes", "approved_by", "approved_at", "approve_reason" ON procedure_version
WHEN NEW.state <> 'DRAFT' BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'procedure_version' AS kind, CAST(NEW.procedure_id || '@' || NEW.version AS TEXT) AS ref,
      fingerprint(NEW."procedure_id", NEW."version", NEW."machine", NEW."title", NEW."kind", NEW."state", NEW."document", NEW."author", NEW."stops", NEW."fixes", NEW."approved_by", NEW."approved_at", NEW."approve_reason") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER procedure_version_sealed_delete AFTER DELETE ON procedure_version
WHEN OLD.state <> 'DRAFT' BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'procedure_version' AS kind, CAST(OLD.procedure_id || '@' || OLD.version AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER figure_change_sealed_insert AFTER INSERT ON figure_change
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'figure_change' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."figure", NEW."value", NEW."reason", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER figure_change_sealed_update AFTER UPDATE OF "seq", "figure", "value", "reason", "who", "at" ON figure_change
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'figure_change' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."figure", NEW."value", NEW."reason", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER figure_change_sealed_delete AFTER DELETE ON figure_change
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'figure_change' AS kind, CAST(OLD.seq AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER training_sealed_insert AFTER INSERT ON training
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'training' AS kind, CAST(NEW.account_id || '@' || NEW.machine AS TEXT) AS ref,
      fingerprint(NEW."account_id", NEW."machine", NEW."at", NEW."said_by") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER training_sealed_update AFTER UPDATE OF "account_id", "machine", "at", "said_by" ON training
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'training' AS kind, CAST(NEW.account_id || '@' || NEW.machine AS TEXT) AS ref,
      fingerprint(NEW."account_id", NEW."machine", NEW."at", NEW."said_by") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER training_sealed_delete AFTER DELETE ON training
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'training' AS kind, CAST(OLD.account_id || '@' || OLD.machine AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER tablet_sealed_insert AFTER INSERT ON tablet
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'tablet' AS kind, CAST(NEW.id AS TEXT) AS ref,
      fingerprint(NEW."id", NEW."name", NEW."token_hash", NEW."enrolled_by", NEW."enrolled_at", NEW."withdrawn_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER tablet_sealed_update AFTER UPDATE OF "id", "name", "token_hash", "enrolled_by", "enrolled_at", "withdrawn_at" ON tablet
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'tablet' AS kind, CAST(NEW.id AS TEXT) AS ref,
      fingerprint(NEW."id", NEW."name", NEW."token_hash", NEW."enrolled_by", NEW."enrolled_at", NEW."withdrawn_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER tablet_sealed_delete AFTER DELETE ON tablet
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'tablet' AS kind, CAST(OLD.id AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER pack_sealed_insert AFTER INSERT ON pack
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'pack' AS kind, CAST(NEW.hash AS TEXT) AS ref,
      fingerprint(NEW."hash", NEW."document") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER pack_sealed_update AFTER UPDATE OF "hash", "document" ON pack
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'pack' AS kind, CAST(NEW.hash AS TEXT) AS ref,
      fingerprint(NEW."hash", NEW."document") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER pack_sealed_delete AFTER DELETE ON pack
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'pack' AS kind, CAST(OLD.hash AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER round_sealed_insert AFTER INSERT ON round
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'round' AS kind, CAST(NEW.id AS TEXT) AS ref,
      fingerprint(NEW."id", NEW."pack_hash", NEW."machine", NEW."procedure_id", NEW."version", NEW."title", NEW."started_by", NEW."started_at", NEW."closed_by", NEW."closed_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER round_sealed_update AFTER UPDATE OF "id", "pack_hash", "machine", "procedure_id", "version", "title", "started_by", "started_at", "closed_by", "closed_at" ON round
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'round' AS kind, CAST(NEW.id AS TEXT) AS ref,
      fingerprint(NEW."id", NEW."pack_hash", NEW."machine", NEW."procedure_id", NEW."version", NEW."title", NEW."started_by", NEW."started_at", NEW."closed_by", NEW."closed_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER round_sealed_delete AFTER DELETE ON round
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'round' AS kind, CAST(OLD.id AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER site_change_sealed_insert AFTER INSERT ON site_change
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'site_change' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."what", NEW."before", NEW."after", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER site_change_sealed_update AFTER UPDATE OF "seq", "what", "before", "after", "who", "at" ON site_change
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'site_change' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."what", NEW."before", NEW."after", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER site_change_sealed_delete AFTER DELETE ON site_change
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'site_change' AS kind, CAST(OLD.seq AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER machine_use_sealed_insert AFTER INSERT ON machine_use
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'machine_use' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."machine", NEW."kind", NEW."note", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER machine_use_sealed_update AFTER UPDATE OF "seq", "machine", "kind", "note", "who", "at" ON machine_use
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'machine_use' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."machine", NEW."kind", NEW."note", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER machine_use_sealed_delete AFTER DELETE ON machine_use
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'machine_use' AS kind, CAST(OLD.seq AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER spare_count_sealed_insert AFTER INSERT ON spare_count
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'spare_count' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."machine", NEW."part", NEW."count", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER spare_count_sealed_update AFTER UPDATE OF "seq", "machine", "part", "count", "who", "at" ON spare_count
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'spare_count' AS kind, CAST(NEW.seq AS TEXT) AS ref,
      fingerprint(NEW."seq", NEW."machine", NEW."part", NEW."count", NEW."who", NEW."at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER spare_count_sealed_delete AFTER DELETE ON spare_count
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'spare_count' AS kind, CAST(OLD.seq AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER photo_sealed_insert AFTER INSERT ON photo
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'photo' AS kind, CAST(NEW.sha256 AS TEXT) AS ref,
      fingerprint(NEW."sha256", NEW."type", NEW."taken_by", NEW."taken_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER photo_sealed_update AFTER UPDATE OF "sha256", "type", "taken_by", "taken_at" ON photo
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'photo' AS kind, CAST(NEW.sha256 AS TEXT) AS ref,
      fingerprint(NEW."sha256", NEW."type", NEW."taken_by", NEW."taken_at") AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
CREATE TRIGGER photo_sealed_delete AFTER DELETE ON photo
BEGIN
  INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
  SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
    SELECT 'photo' AS kind, CAST(OLD.sha256 AS TEXT) AS ref,
      'gone' AS sha256,
      CAST(strftime('%s', 'now') AS INTEGER) * 1000 AS at,
      coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
END;
