-- What a lot gave and how fast its pan boiled off is derived once, with its summary, and read from there.
ALTER TABLE lot_standing ADD COLUMN IF NOT EXISTS past LONGTEXT NULL;
ALTER TABLE lot_standing ADD COLUMN IF NOT EXISTS boil_rate DOUBLE NULL;
-- Bottles that were filled on a day, checks of one kind, words of a lot.
ALTER TABLE bottling ADD KEY IF NOT EXISTS bottling_at (at);
ALTER TABLE instrument_check ADD KEY IF NOT EXISTS check_series (instrument_id, kind, at);
ALTER TABLE lot_word ADD KEY IF NOT EXISTS lot_words (lot_id, word);
