-- Somebody who left: what they did stays under their name, they sign nothing any more.
ALTER TABLE account ADD COLUMN left_at BIGINT;
