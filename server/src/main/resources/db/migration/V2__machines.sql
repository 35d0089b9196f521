-- Sheets, chemicals and the site as documents in their open format. A sheet version never changes.
CREATE TABLE sheet (
  code     TEXT    NOT NULL,
  version  INTEGER NOT NULL,
  name     TEXT    NOT NULL,
  document TEXT    NOT NULL,
  saved_at BIGINT  NOT NULL,
  PRIMARY KEY (code, version)
);
CREATE TABLE site_document (
  kind     TEXT   NOT NULL PRIMARY KEY CHECK (kind IN ('site', 'chemicals')),
  document TEXT   NOT NULL,
  saved_at BIGINT NOT NULL
);
