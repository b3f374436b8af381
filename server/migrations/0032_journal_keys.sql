-- Where 0016 found the name of its first key taken, all of its statement was passed over: its keys come here.
ALTER TABLE journal ADD KEY IF NOT EXISTS journal_noun_read (kitchen_id, noun, sequence);
ALTER TABLE journal ADD KEY IF NOT EXISTS journal_by (kitchen_id, account_id, sequence);
ALTER TABLE journal ADD KEY IF NOT EXISTS journal_at (kitchen_id, at, sequence);
