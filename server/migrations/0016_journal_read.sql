-- The journal is read in the page by noun, by person and by day.
ALTER TABLE journal ADD KEY journal_noun_read (kitchen_id, noun, sequence), ADD KEY journal_by (kitchen_id, account_id, sequence), ADD KEY journal_at (kitchen_id, at, sequence);
