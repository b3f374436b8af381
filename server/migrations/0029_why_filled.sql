-- Why more bottles were counted than the record says was in the pan.
ALTER TABLE bottling ADD COLUMN why VARCHAR(500) NULL;
