-- What this site says in other languages: each text of a document by its place in it, with the English that it was put
-- from, so that a sentence which was changed since is not shown with the old words.
CREATE TABLE translation (
  language TEXT   NOT NULL,
  document TEXT   NOT NULL,
  path     TEXT   NOT NULL,
  english  TEXT   NOT NULL,
  said     TEXT   NOT NULL,
  who      TEXT   NOT NULL,
  put_at   BIGINT NOT NULL,
  PRIMARY KEY (language, document, path)
);
