-- The format that the draft's entities are written in; upgrade-draft.ts brings them to the newest.
ALTER TABLE draft_head ADD COLUMN format INT UNSIGNED NOT NULL DEFAULT 1;
