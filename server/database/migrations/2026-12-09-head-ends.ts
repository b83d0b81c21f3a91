import type { Migration } from './migration.ts';

const KINDS = [
  'rack',
  'enclosure',
  'patch-block',
  'data-panel',
  'audio-rack',
  'security-panel',
  'rf-panel',
  'shade-supply',
  'driver-board',
  'cabinet',
];

const UP = `
ALTER TABLE racks DROP CONSTRAINT racks_kind_check;
ALTER TABLE racks
  ADD CONSTRAINT racks_kind_check CHECK (kind IN (${KINDS.map((kind) => `'${kind}'`).join(', ')})),
  ADD entry text NOT NULL DEFAULT 'wall' CHECK (entry IN ('wall', 'floor', 'ceiling', 'sleeve'));
ALTER TABLE racks ALTER entry DROP DEFAULT;
ALTER TABLE cable_types DROP CONSTRAINT cable_types_material_check;
ALTER TABLE cable_types ADD CONSTRAINT cable_types_material_check CHECK (material IN ('copper', 'cca', 'ccs', 'fibre', 'plastic')),
  ADD also_rated jsonb NOT NULL DEFAULT '[]',
  ADD spool_m double precision NOT NULL DEFAULT 305 CHECK (spool_m > 0);
ALTER TABLE cable_types ALTER also_rated DROP DEFAULT, ALTER spool_m DROP DEFAULT;
ALTER TABLE projects ADD speaker_pairs text NOT NULL DEFAULT 'home-runs' CHECK (speaker_pairs IN ('home-runs', 'four-conductor'));
ALTER TABLE projects ALTER speaker_pairs DROP DEFAULT;
ALTER TABLE devices ADD left_out jsonb NOT NULL DEFAULT '[]';
ALTER TABLE devices ALTER left_out DROP DEFAULT;
ALTER TABLE runs
  ADD recipe_leg integer CHECK (recipe_leg BETWEEN 1 AND 99),
  ADD reason text NOT NULL DEFAULT '',
  ADD price double precision CHECK (price >= 0);
UPDATE runs SET recipe_leg = leg;
ALTER TABLE runs ALTER reason DROP DEFAULT;
CREATE TABLE head_end_rules (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  family text NOT NULL,
  system text,
  rack_id text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT head_end_rules_rack_id FOREIGN KEY (project_id, rack_id) REFERENCES racks (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT head_end_rules_one UNIQUE (project_id, family, system) DEFERRABLE INITIALLY DEFERRED
);
ALTER TABLE walk_results
  ADD walk text NOT NULL DEFAULT 'first' CHECK (walk IN ('first', 'last')),
  DROP CONSTRAINT walk_results_once,
  ADD CONSTRAINT walk_results_once UNIQUE (project_id, walk, room_id, topic) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE walk_results ALTER walk DROP DEFAULT;
CREATE TABLE device_walks (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  walk text NOT NULL CHECK (walk IN ('first', 'last')),
  device_id text NOT NULL,
  found text NOT NULL CHECK (found IN ('there', 'missing', 'different')),
  by text NOT NULL,
  "on" text NOT NULL CHECK ("on" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT device_walks_once UNIQUE (project_id, walk, device_id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT device_walks_device_id FOREIGN KEY (project_id, device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX head_end_rules_rack ON head_end_rules (project_id, rack_id);
`;

const DOWN = `
DROP TABLE head_end_rules, device_walks;
DELETE FROM walk_results WHERE walk = 'last';
ALTER TABLE walk_results DROP CONSTRAINT walk_results_once, DROP walk,
  ADD CONSTRAINT walk_results_once UNIQUE (project_id, room_id, topic) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE cable_types DROP also_rated, DROP spool_m;
UPDATE cable_types SET material = 'fibre' WHERE material = 'plastic';
ALTER TABLE cable_types DROP CONSTRAINT cable_types_material_check;
ALTER TABLE cable_types ADD CONSTRAINT cable_types_material_check CHECK (material IN ('copper', 'cca', 'ccs', 'fibre'));
ALTER TABLE projects DROP speaker_pairs;
ALTER TABLE devices DROP left_out;
ALTER TABLE runs DROP recipe_leg, DROP reason, DROP price;
UPDATE racks SET kind = 'enclosure' WHERE kind NOT IN ('rack', 'enclosure');
ALTER TABLE racks DROP CONSTRAINT racks_kind_check, DROP entry;
ALTER TABLE racks ADD CONSTRAINT racks_kind_check CHECK (kind IN ('rack', 'enclosure'));
`;

/** Head ends by system and how they are entered; runs that are no leg of a recipe, with reason and price. */
export const headEnds: Migration = { name: '2026-12-09-head-ends', up: (sql) => sql(UP), down: (sql) => sql(DOWN) };
