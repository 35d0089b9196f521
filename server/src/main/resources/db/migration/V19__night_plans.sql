-- The plans that people went by: each one that took the place of another, so that the next morning can tell what was
-- planned from what happened.
CREATE TABLE night_plan (
  id       INTEGER PRIMARY KEY AUTOINCREMENT,
  night    TEXT   NOT NULL,
  made_at  BIGINT NOT NULL,
  document TEXT   NOT NULL
);
CREATE INDEX night_plan_of_night ON night_plan (night, id);
