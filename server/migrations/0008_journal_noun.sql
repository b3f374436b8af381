-- What was written of one thing is found without reading the kitchen's whole journal.
ALTER TABLE journal ADD KEY journal_noun (kitchen_id, noun, noun_id, sequence);
