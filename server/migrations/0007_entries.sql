-- Every kind of entry is declared once, and its columns are named as its fields are; codes are written with hyphens throughout;
-- every reference is a foreign key and every list or document is checked to be JSON; what was written is remembered by its id.
CREATE TABLE written (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36) CHARACTER SET ascii NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii NOT NULL,
  path VARCHAR(300) NOT NULL,
  body_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  answer LONGTEXT NOT NULL CHECK (JSON_VALID(answer)),
  at DATETIME(3) NOT NULL,
  CONSTRAINT written_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  CONSTRAINT written_account FOREIGN KEY (account_id) REFERENCES account (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A kitchen has an end of its journal from its first moment, so that there is always something to lock.
INSERT INTO journal_head (kitchen_id, sequence, hash)
  SELECT id, 0, REPEAT('0', 64) FROM kitchen WHERE id NOT IN (SELECT kitchen_id FROM journal_head);

-- Columns named as the fields.
ALTER TABLE step_mark CHANGE kind mark VARCHAR(10) NOT NULL;
ALTER TABLE load_mark CHANGE kind mark VARCHAR(10) NOT NULL;
ALTER TABLE addition CHANGE before_grams before_trimming DOUBLE NULL, CHANGE taken_from `from` VARCHAR(120) NULL;
ALTER TABLE reading CHANGE note because VARCHAR(500) NULL, MODIFY sample VARCHAR(10) NOT NULL;
ALTER TABLE bottling MODIFY closing VARCHAR(10) NOT NULL;
ALTER TABLE movement CHANGE from_place `from` VARCHAR(60) NULL, CHANGE to_place `to` VARCHAR(60) NULL;
ALTER TABLE decision CHANGE from_state `from` VARCHAR(12) NOT NULL, CHANGE to_state `to` VARCHAR(12) NOT NULL;
ALTER TABLE instrument_check CHANGE figure `read` DOUBLE NOT NULL;
ALTER TABLE calibration MODIFY low VARCHAR(10) NOT NULL;
ALTER TABLE deviation MODIFY kind VARCHAR(40) NOT NULL;
ALTER TABLE heat_process MODIFY mismatches MEDIUMTEXT NOT NULL, MODIFY limits TEXT NULL;
ALTER TABLE canner_load MODIFY process_id VARCHAR(60) NOT NULL, MODIFY mismatches MEDIUMTEXT NOT NULL, MODIFY limits TEXT NOT NULL;

-- One spelling of codes.
UPDATE reading SET taken = REPLACE(taken, ' ', '-');
UPDATE glass_fault SET fault = REPLACE(fault, ' ', '-');
UPDATE tally SET parts = REPLACE(REPLACE(parts, '"short bottle"', '"short-bottle"'), '"left in the pan"', '"left-in-the-pan"');
UPDATE movement SET kind = REPLACE(kind, ' ', '-');
UPDATE fate SET fate = REPLACE(fate, ' ', '-');
UPDATE heat_process SET method = REPLACE(method, ' ', '-'), limits = COALESCE(limits, '{"brix":null,"highestPh":null}');
UPDATE container SET closure = REPLACE(closure, ' ', '-'), rated = REPLACE(rated, ' ', '-');
UPDATE own_process SET content = REPLACE(REPLACE(REPLACE(content, '"two-piece lid"', '"two-piece-lid"'), '"boiling water"', '"boiling-water"'), '"hot fill"', '"hot-fill"');
UPDATE stock_lot SET allergens = REPLACE(allergens, '"tree nuts"', '"tree-nuts"');
UPDATE own_ingredient SET entry = REPLACE(entry, '"tree nuts"', '"tree-nuts"'), label = REPLACE(label, '"tree nuts"', '"tree-nuts"');
UPDATE addition SET entry = REPLACE(entry, '"tree nuts"', '"tree-nuts"');
UPDATE formula_version SET content = REPLACE(content, '"tree nuts"', '"tree-nuts"');
UPDATE seal_check SET failed_bottles = COALESCE(failed_bottles, '[]'),
  signs = IF(signs = '', '[]', CONCAT('["', REPLACE(REPLACE(REPLACE(signs, 'liquid lost', 'liquid-lost'), 'floating fruit', 'floating-fruit'), '|', '","'), '"]'));
ALTER TABLE bottling MODIFY headspace_inches DOUBLE NULL;
ALTER TABLE container MODIFY rated VARCHAR(120) NOT NULL DEFAULT '';
ALTER TABLE heat_process ALTER method DROP DEFAULT, MODIFY limits TEXT NOT NULL;
ALTER TABLE reading ALTER taken DROP DEFAULT;
ALTER TABLE seal_check MODIFY failed_bottles TEXT NOT NULL, MODIFY signs TEXT NOT NULL;

-- Lists and documents are JSON.
ALTER TABLE addition ADD CONSTRAINT addition_entry_json CHECK (entry IS NULL OR JSON_VALID(entry));
ALTER TABLE heat_process ADD CONSTRAINT heat_process_mismatches_json CHECK (JSON_VALID(mismatches)), ADD CONSTRAINT heat_process_limits_json CHECK (JSON_VALID(limits));
ALTER TABLE canner_load ADD CONSTRAINT canner_load_mismatches_json CHECK (JSON_VALID(mismatches)), ADD CONSTRAINT canner_load_limits_json CHECK (JSON_VALID(limits));
ALTER TABLE tally ADD CONSTRAINT tally_parts_json CHECK (JSON_VALID(parts));
ALTER TABLE curve ADD CONSTRAINT curve_samples_json CHECK (JSON_VALID(samples));
ALTER TABLE seal_check ADD CONSTRAINT seal_check_failed_json CHECK (JSON_VALID(failed_bottles)), ADD CONSTRAINT seal_check_signs_json CHECK (JSON_VALID(signs));
ALTER TABLE label_print ADD CONSTRAINT label_print_label_json CHECK (JSON_VALID(label));
ALTER TABLE calibration ADD CONSTRAINT calibration_points_json CHECK (JSON_VALID(points));
ALTER TABLE journal ADD CONSTRAINT journal_payload_json CHECK (JSON_VALID(payload));
ALTER TABLE formula_version ADD CONSTRAINT version_content_json CHECK (JSON_VALID(content));
ALTER TABLE vessel ADD CONSTRAINT vessel_shape_json CHECK (JSON_VALID(shape));
ALTER TABLE own_process ADD CONSTRAINT own_process_content_json CHECK (JSON_VALID(content));
ALTER TABLE own_ingredient ADD CONSTRAINT own_entry_json CHECK (entry IS NULL OR JSON_VALID(entry)), ADD CONSTRAINT own_measured_json CHECK (measured IS NULL OR JSON_VALID(measured)), ADD CONSTRAINT own_label_json CHECK (label IS NULL OR JSON_VALID(label));
ALTER TABLE stock_lot ADD CONSTRAINT stock_measured_json CHECK (measured IS NULL OR JSON_VALID(measured)), ADD CONSTRAINT stock_allergens_json CHECK (JSON_VALID(allergens));
ALTER TABLE plan ADD CONSTRAINT plan_content_json CHECK (JSON_VALID(content));
ALTER TABLE kitchen ADD CONSTRAINT kitchen_workshop_json CHECK (workshop IS NULL OR JSON_VALID(workshop));

-- Every reference is a foreign key.
ALTER TABLE step_mark ADD CONSTRAINT mark_lot FOREIGN KEY (lot_id) REFERENCES lot (id);
ALTER TABLE load_mark ADD CONSTRAINT load_mark_lot FOREIGN KEY (lot_id) REFERENCES lot (id);
ALTER TABLE origin ADD CONSTRAINT origin_lot FOREIGN KEY (lot_id) REFERENCES lot (id);
ALTER TABLE deviation_closing ADD CONSTRAINT closing_lot FOREIGN KEY (lot_id) REFERENCES lot (id);
ALTER TABLE addition ADD CONSTRAINT addition_step FOREIGN KEY (step_id) REFERENCES lot_step (id), ADD CONSTRAINT addition_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE reading ADD CONSTRAINT reading_step FOREIGN KEY (step_id) REFERENCES lot_step (id), ADD CONSTRAINT reading_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE placing ADD CONSTRAINT placing_step FOREIGN KEY (step_id) REFERENCES lot_step (id);
ALTER TABLE photograph ADD CONSTRAINT photograph_step FOREIGN KEY (step_id) REFERENCES lot_step (id), ADD CONSTRAINT photograph_reading FOREIGN KEY (reading_id) REFERENCES reading (id), ADD CONSTRAINT photograph_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE bottling ADD CONSTRAINT bottling_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE heat_process ADD CONSTRAINT heat_process_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE seal_check ADD CONSTRAINT seal_check_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE bottle_tick ADD CONSTRAINT tick_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE glass_fault ADD CONSTRAINT fault_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE tally ADD CONSTRAINT tally_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE weighing ADD CONSTRAINT weighing_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE canner_load ADD CONSTRAINT load_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE curve ADD CONSTRAINT curve_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE cooling ADD CONSTRAINT cooling_struck FOREIGN KEY (struck_by) REFERENCES account (id);
ALTER TABLE journal ADD CONSTRAINT journal_account FOREIGN KEY (account_id) REFERENCES account (id);
