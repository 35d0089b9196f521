-- Who may sign in. A PIN signs; it is never the password.
CREATE TABLE account (
  id            INTEGER PRIMARY KEY AUTOINCREMENT,
  name          TEXT   NOT NULL UNIQUE,
  role          TEXT   NOT NULL CHECK (role IN ('SUPERVISOR', 'CREW', 'QA', 'AUDITOR')),
  password_hash TEXT   NOT NULL,
  pin_hash      TEXT   NOT NULL,
  failed        INTEGER NOT NULL DEFAULT 0,
  locked_until  BIGINT NOT NULL DEFAULT 0
);
