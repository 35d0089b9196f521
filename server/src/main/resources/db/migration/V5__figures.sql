-- What the site has set beside the shipped rule book; the last change of a figure counts.
CREATE TABLE figure_change (
  seq    INTEGER PRIMARY KEY AUTOINCREMENT,
  figure TEXT    NOT NULL,
  value  DOUBLE,
  reason TEXT    NOT NULL,
  who    TEXT    NOT NULL,
  at     BIGINT  NOT NULL
);
CREATE TRIGGER figure_change_no_update BEFORE UPDATE ON figure_change
BEGIN SELECT RAISE(ABORT, 'a change of the rule book is never changed'); END;
CREATE TRIGGER figure_change_no_delete BEFORE DELETE ON figure_change
BEGIN SELECT RAISE(ABORT, 'a change of the rule book is never deleted'); END;
