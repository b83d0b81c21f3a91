import type { Migration } from './migration.ts';
import { OWN, refers } from './record-table.ts';

/** A run had several cuts until now: the newest stays its own, the others are cuts for something else. */
const ONE_CUT_PER_RUN = `
UPDATE spool_cuts SET run_id = NULL WHERE run_id IS NOT NULL AND EXISTS (
  SELECT 1 FROM spool_cuts other WHERE other.project_id = spool_cuts.project_id AND other.run_id = spool_cuts.run_id
    AND (other."on", other.id) > (spool_cuts."on", spool_cuts.id));
ALTER TABLE spool_cuts ADD CONSTRAINT spool_cuts_run UNIQUE (project_id, run_id) DEFERRABLE INITIALLY DEFERRED;
`;

const UP = `
ALTER TABLE runs ADD ends_bagged_on text NOT NULL DEFAULT '', ADD wrapped_on text NOT NULL DEFAULT '',
  ADD floor_mark text NOT NULL DEFAULT '';
ALTER TABLE runs ALTER ends_bagged_on DROP DEFAULT, ALTER wrapped_on DROP DEFAULT, ALTER floor_mark DROP DEFAULT;
ALTER TABLE spool_cuts ADD first_mark text NOT NULL DEFAULT '', ADD last_mark text NOT NULL DEFAULT '';
ALTER TABLE spool_cuts ALTER first_mark DROP DEFAULT, ALTER last_mark DROP DEFAULT;
${ONE_CUT_PER_RUN}
CREATE TABLE photos (${OWN},
  file_id text NOT NULL,
  media text NOT NULL,
  kind text NOT NULL,
  taken_at text NOT NULL,
  by text NOT NULL,
  room_id text,
  wall_id text,
  device_id text,
  penetration text NOT NULL,
  from_corner_m double precision,
  width_m double precision,
  height_m double precision,
  bay integer,
  has_tape boolean NOT NULL,
  marks jsonb NOT NULL,
  is_shared boolean NOT NULL,
  note text NOT NULL,
  ${refers('photos_room_id', 'room_id', 'rooms')},
  ${refers('photos_wall_id', 'wall_id', 'walls')},
  ${refers('photos_device_id', 'device_id', 'devices')}
);
CREATE TABLE inspection_items (${OWN},
  inspection text NOT NULL,
  subject text NOT NULL,
  subject_id text NOT NULL,
  result text NOT NULL,
  level_id text,
  x double precision,
  y double precision,
  height_m double precision,
  by text NOT NULL,
  "on" text NOT NULL,
  owner text NOT NULL,
  due_on text NOT NULL,
  fixed_on text NOT NULL,
  fixed_by text NOT NULL,
  note text NOT NULL,
  ${refers('inspection_items_level_id', 'level_id', 'levels')}
);
CREATE TABLE inspection_sign_offs (${OWN},
  inspection text NOT NULL,
  level_id text,
  signed_by text NOT NULL,
  signed_on text NOT NULL,
  open_errors integer NOT NULL,
  accepted_by text NOT NULL,
  why text NOT NULL,
  lines jsonb NOT NULL,
  ${refers('inspection_sign_offs_level_id', 'level_id', 'levels')}
);
CREATE TABLE cable_tests (${OWN},
  run_id text NOT NULL,
  kind text NOT NULL,
  "on" text NOT NULL,
  by text NOT NULL,
  tester text NOT NULL,
  length_m double precision,
  loss_db double precision,
  passed boolean NOT NULL,
  faults jsonb NOT NULL,
  limits text NOT NULL,
  reason text NOT NULL,
  note text NOT NULL,
  ${refers('cable_tests_run_id', 'run_id', 'runs')}
);
CREATE TABLE task_times (${OWN},
  task text NOT NULL,
  room_id text,
  count integer NOT NULL,
  estimate_hours double precision NOT NULL,
  hours double precision NOT NULL,
  reason text NOT NULL,
  is_attic boolean NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  ${refers('task_times_room_id', 'room_id', 'rooms')}
);
CREATE TABLE crew_handovers (${OWN},
  "from" text NOT NULL,
  "to" text NOT NULL,
  "on" text NOT NULL,
  room_id text,
  task text NOT NULL,
  half_sorted text NOT NULL,
  taken_by text NOT NULL,
  taken_on text NOT NULL,
  ${refers('crew_handovers_room_id', 'room_id', 'rooms')}
);
CREATE TABLE step_cards (${OWN},
  key text NOT NULL,
  title text NOT NULL,
  tool text NOT NULL,
  strip_mm double precision,
  steps jsonb NOT NULL,
  polarity text NOT NULL,
  proof text NOT NULL,
  CONSTRAINT step_cards_key UNIQUE (project_id, key) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE cable_finds (${OWN},
  device_id text NOT NULL,
  how text NOT NULL,
  along_m double precision,
  up_m double precision,
  stage text NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  note text NOT NULL,
  ${refers('cable_finds_device_id', 'device_id', 'devices')}
);
CREATE TABLE site_changes (${OWN},
  kind text NOT NULL,
  subject text NOT NULL,
  subject_id text NOT NULL,
  what text NOT NULL,
  reason text NOT NULL,
  price_cents integer NOT NULL,
  decision text NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  seen_by text NOT NULL,
  seen_on text NOT NULL
);
CREATE TABLE adjustments (${OWN},
  kind text NOT NULL,
  device_id text,
  equipment_id text,
  before text NOT NULL,
  after text NOT NULL,
  passed boolean NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  note text NOT NULL,
  ${refers('adjustments_device_id', 'device_id', 'devices')},
  ${refers('adjustments_equipment_id', 'equipment_id', 'equipment')}
);
CREATE TABLE nameplates (${OWN},
  subject text NOT NULL,
  subject_id text NOT NULL,
  model text NOT NULL,
  rating text NOT NULL,
  serial text NOT NULL,
  result text NOT NULL,
  why text NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  CONSTRAINT nameplates_subject_id UNIQUE (project_id, subject, subject_id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE packed_items (${OWN},
  key text NOT NULL,
  is_packed boolean NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  CONSTRAINT packed_items_key UNIQUE (project_id, key) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE site_files (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL CHECK (id ~ '^[0-9a-f]{64}$'),
  media_type text NOT NULL,
  size_bytes integer NOT NULL CHECK (size_bytes > 0),
  received_bytes integer NOT NULL CHECK (received_bytes BETWEEN 0 AND size_bytes),
  width_px integer,
  height_px integer,
  is_complete boolean NOT NULL,
  by_member uuid,
  updated_at timestamptz NOT NULL,
  thumbnail bytea,
  shared bytea,
  PRIMARY KEY (project_id, id)
);
CREATE TABLE site_file_parts (
  project_id uuid NOT NULL,
  file_id text NOT NULL,
  from_byte integer NOT NULL CHECK (from_byte >= 0),
  bytes bytea NOT NULL,
  PRIMARY KEY (project_id, file_id, from_byte),
  FOREIGN KEY (project_id, file_id) REFERENCES site_files (project_id, id) ON DELETE CASCADE
);
`;

const DOWN = `
DROP TABLE site_file_parts;
DROP TABLE site_files;
DROP TABLE packed_items;
DROP TABLE nameplates;
DROP TABLE adjustments;
DROP TABLE site_changes;
DROP TABLE cable_finds;
DROP TABLE step_cards;
DROP TABLE crew_handovers;
DROP TABLE task_times;
DROP TABLE cable_tests;
DROP TABLE inspection_sign_offs;
DROP TABLE inspection_items;
DROP TABLE photos;
ALTER TABLE spool_cuts DROP CONSTRAINT spool_cuts_run;
ALTER TABLE spool_cuts DROP first_mark, DROP last_mark;
ALTER TABLE runs DROP ends_bagged_on, DROP wrapped_on, DROP floor_mark;
`;

/** What a crew records on site: photos with their files, inspection, tests, hours, handovers, finds, changes, commissioning. */
export const field: Migration = {
  name: '2026-12-23-field',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
