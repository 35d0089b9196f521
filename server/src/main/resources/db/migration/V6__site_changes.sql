-- What was changed in chemicals and vessels, with what stood there before.
CREATE TABLE site_change (
  seq    INTEGER PRIMARY KEY AUTOINCREMENT,
  what   TEXT   NOT NULL,
  before TEXT,
  after  TEXT   NOT NULL,
  who    TEXT   NOT NULL,
  at     BIGINT NOT NULL
);
CREATE TRIGGER site_change_no_update BEFORE UPDATE ON site_change
BEGIN SELECT RAISE(ABORT, 'a change of the site is never changed'); END;
CREATE TRIGGER site_change_no_delete BEFORE DELETE ON site_change
BEGIN SELECT RAISE(ABORT, 'a change of the site is never deleted'); END;
