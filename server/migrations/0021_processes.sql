-- In what a load was heated: water, or an atmospheric steam canner.
ALTER TABLE canner_load ADD COLUMN method VARCHAR(20) CHARACTER SET ascii NOT NULL DEFAULT 'boiling-water';
ALTER TABLE canner_load ALTER method DROP DEFAULT;
