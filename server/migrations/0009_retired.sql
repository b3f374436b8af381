-- Instruments and kinds of bottle that are out of use; what was recorded with them keeps them.
ALTER TABLE instrument ADD COLUMN retired_at DATETIME(3) NULL;
ALTER TABLE container ADD COLUMN retired_at DATETIME(3) NULL;
