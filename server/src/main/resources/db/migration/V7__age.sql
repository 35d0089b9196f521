-- The day somebody turns 18, kept only until then; nothing means of age.
ALTER TABLE account ADD COLUMN adult_from TEXT;
