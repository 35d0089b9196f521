-- What an entry may do is decided by who made it, in which role and whether it was signed; kept with
-- the entry, so that it is decided the same each time it is read. Null in entries from before.
ALTER TABLE floor_event ADD COLUMN person TEXT;
ALTER TABLE floor_event ADD COLUMN role TEXT;
ALTER TABLE floor_event ADD COLUMN signed BOOLEAN;
