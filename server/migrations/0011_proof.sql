-- When an entry was written down stands beside when it happened: what is dated back shows, and what was entered before what is known.
-- A lot keeps the zone and the label rules it was begun under, and when it was brought in from a kitchen file, if it was.
ALTER TABLE lot ADD COLUMN time_zone VARCHAR(60) NULL, ADD COLUMN rule_pack VARCHAR(8) NULL, ADD COLUMN brought_in_at DATETIME(3) NULL;
UPDATE lot l JOIN kitchen k ON k.id = l.kitchen_id SET l.time_zone = k.time_zone, l.rule_pack = k.rule_pack;
ALTER TABLE lot MODIFY time_zone VARCHAR(60) NOT NULL, MODIFY rule_pack VARCHAR(8) NOT NULL;

ALTER TABLE step_mark ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE step_mark t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('mark') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE step_mark MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE addition ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE addition t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('addition') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE addition MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE origin ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE origin t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('origin') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE origin MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE placing ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE placing t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('placing') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE placing MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE reading ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE reading t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('reading') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE reading MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE photograph ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE photograph t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('photograph') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE photograph MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE bottling ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE bottling t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('bottling') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE bottling MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE bottle_tick ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE bottle_tick t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('tick') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE bottle_tick MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE glass_fault ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE glass_fault t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('fault') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE glass_fault MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE tally ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE tally t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('tally') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE tally MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE weighing ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE weighing t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('weighing') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE weighing MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE cooling ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE cooling t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('cooling') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE cooling MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE heat_process ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE heat_process t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('heat-process') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE heat_process MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE canner_load ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE canner_load t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('load') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE canner_load MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE load_mark ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE load_mark t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('load-mark') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE load_mark MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE curve ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE curve t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('curve') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE curve MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE seal_check ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE seal_check t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('seal-check') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE seal_check MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE fate ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE fate t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('fate') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE fate MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE deviation ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE deviation t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('deviation') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE deviation MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE deviation_closing ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE deviation_closing t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('closing') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE deviation_closing MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE movement ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE movement t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('movement') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE movement MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE decision ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE decision t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('decision', 'ruling') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE decision MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE label_print ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE label_print t JOIN lot o ON o.id = t.lot_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('print') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE label_print MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE calibration ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE calibration t JOIN instrument o ON o.id = t.instrument_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('calibration') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE calibration MODIFY recorded_at DATETIME(3) NOT NULL;
ALTER TABLE instrument_check ADD COLUMN recorded_at DATETIME(3) NULL;
UPDATE instrument_check t JOIN instrument o ON o.id = t.instrument_id
  LEFT JOIN journal j ON j.kitchen_id = o.kitchen_id AND j.noun IN ('check') AND j.noun_id = t.id AND j.action <> 'strike'
  SET t.recorded_at = COALESCE(j.at, t.at);
ALTER TABLE instrument_check MODIFY recorded_at DATETIME(3) NOT NULL;

-- A signature says what it means and which record it was put under. A kitchen may ask for a second person, and for signing in again after a while.
ALTER TABLE decision ADD COLUMN meaning VARCHAR(60) NULL, ADD COLUMN record_hash CHAR(64) CHARACTER SET ascii NULL;
UPDATE decision SET meaning = 'released by' WHERE signed = 1;
ALTER TABLE kitchen ADD COLUMN second_person TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN idle_minutes INT NULL;
ALTER TABLE account ADD COLUMN disabled_at DATETIME(3) NULL;
ALTER TABLE session ADD COLUMN seen_at DATETIME(3) NULL;
ALTER TABLE sign_in_attempt ADD COLUMN address VARCHAR(64) NOT NULL DEFAULT '', ADD KEY attempt_address (address, at);
ALTER TABLE sign_in_attempt ALTER address DROP DEFAULT;

-- One kitchen is set up, however many begin at once.
CREATE TABLE installation (
  id TINYINT NOT NULL PRIMARY KEY CHECK (id = 1),
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  CONSTRAINT installation_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
INSERT INTO installation (id, kitchen_id) SELECT 1, id FROM kitchen ORDER BY created_at, id LIMIT 1;

-- The end of a journal is signed with a key kept outside the database.
ALTER TABLE journal_head ADD COLUMN signature CHAR(64) CHARACTER SET ascii NULL;

-- A lot's state follows its last decision, and a role the last journal row of its account; by hand neither moves.
CREATE TRIGGER lot_state_follows BEFORE UPDATE ON lot FOR EACH ROW IF NEW.state <> OLD.state AND NOT EXISTS (SELECT 1 FROM decision WHERE lot_id = NEW.id AND `from` = OLD.state AND `to` = NEW.state AND recorded_at = (SELECT MAX(recorded_at) FROM decision WHERE lot_id = NEW.id)) THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a lot changes its state only with a decision'; END IF;
CREATE TRIGGER account_role_follows BEFORE UPDATE ON account FOR EACH ROW IF NEW.role <> OLD.role AND NEW.role <> COALESCE((SELECT JSON_VALUE(payload, '$.role') FROM journal WHERE kitchen_id = NEW.kitchen_id AND noun = 'account' AND noun_id = NEW.id AND action = 'change' ORDER BY sequence DESC LIMIT 1), '') THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a role changes only with its journal row'; END IF;
