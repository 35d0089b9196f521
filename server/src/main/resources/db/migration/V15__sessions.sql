-- Counts what ends the sessions of an account: another role, name, password or PIN, and leaving.
ALTER TABLE account ADD COLUMN epoch INTEGER NOT NULL DEFAULT 0;
