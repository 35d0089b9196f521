-- One version of a procedure is in force. Where an archive had brought a second one, the older go out of use.
UPDATE procedure_version SET state = 'RETIRED'
WHERE state = 'APPROVED' AND version < (
  SELECT max(version) FROM procedure_version AS newer
  WHERE newer.procedure_id = procedure_version.procedure_id AND newer.state = 'APPROVED');
CREATE UNIQUE INDEX one_in_force ON procedure_version (procedure_id) WHERE state = 'APPROVED';
-- Versions count from 1; somebody has to have approved what is in force.
CREATE TRIGGER procedure_version_counts BEFORE INSERT ON procedure_version
WHEN NEW.version < 1 OR NEW.version > 9999
BEGIN SELECT RAISE(ABORT, 'a version of a procedure is a number from 1 to 9999'); END;
CREATE TRIGGER approved_by_somebody BEFORE UPDATE OF state ON procedure_version
WHEN NEW.state = 'APPROVED' AND (NEW.approved_by IS NULL OR NEW.approved_at IS NULL OR NEW.stops > 0)
BEGIN SELECT RAISE(ABORT, 'a procedure is approved by somebody, and without a STOP'); END;
CREATE TRIGGER begins_as_a_draft BEFORE INSERT ON procedure_version
WHEN NEW.state <> 'DRAFT'
BEGIN SELECT RAISE(ABORT, 'every version of a procedure begins as a draft'); END;
CREATE TRIGGER sheet_version_counts BEFORE INSERT ON sheet
WHEN NEW.version < 1 OR NEW.version > 9999
BEGIN SELECT RAISE(ABORT, 'a version of a sheet is a number from 1 to 9999'); END;
CREATE TRIGGER sheet_is_frozen BEFORE UPDATE ON sheet
BEGIN SELECT RAISE(ABORT, 'a version of a sheet is never changed'); END;
CREATE TRIGGER sheet_is_kept BEFORE DELETE ON sheet
BEGIN SELECT RAISE(ABORT, 'a version of a sheet is never deleted'); END;
-- A PIN is its owner's: six digits that they have chosen. Who was given one chooses at the next sign-in.
ALTER TABLE account ADD COLUMN pin_own BOOLEAN NOT NULL DEFAULT 0;
-- What is asked for at every look at board, logbook and release, over years of rounds.
CREATE INDEX round_of_machine ON round (machine, started_at);
CREATE INDEX round_by_time ON round (started_at);
CREATE INDEX round_of_procedure ON round (procedure_id, started_at);
CREATE INDEX floor_event_proof ON floor_event (round_id, seq) WHERE kind = 'proof';
