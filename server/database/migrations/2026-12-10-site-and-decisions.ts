import { KINDS_WITH_NOTCHES } from './2026-12-02-notches.ts';
import { featuresMayBe } from './2026-12-01-air-and-cords.ts';
import type { Migration } from './migration.ts';

const TOPICS = `'sound', 'surround', 'display', 'network', 'wifi', 'keypad', 'camera', 'shade', 'light', 'climate', 'security', 'door',
  'charging', 'coax'`;
const SITE_TOPICS = `'heating', 'vehicle', 'generator', 'solar'`;
const OUTDOORS = `'porch', 'garden', 'eaves', 'facade'`;
/** With areas outdoors and coffers. */
export const KINDS_OF_SITES = `${KINDS_WITH_NOTCHES}, ${OUTDOORS}, 'coffer'`;
/** Columns that hold a topic. */
const TOPIC_COLUMNS = [
  ['brief_cells', 'topic'],
  ['package_lines', 'topic'],
  ['walk_results', 'topic'],
  ['device_types', 'answers'],
] as const;
const topicsMayBe = (topics: string) =>
  TOPIC_COLUMNS.map(
    ([table, column]) => `ALTER TABLE ${table} DROP CONSTRAINT IF EXISTS ${table}_${column}_check;
ALTER TABLE ${table} ADD CONSTRAINT ${table}_${column}_check CHECK (${column} IN (${topics}));`,
  ).join('\n');

const PARTIES = `('builder', 'integrator', 'other', 'nobody')`;
const CHANNELS = `('front-left', 'front-right', 'center', 'surround-left', 'surround-right', 'rear-left', 'rear-right', 'wide-left',
  'wide-right', 'top-front-left', 'top-front-right', 'top-middle-left', 'top-middle-right', 'top-rear-left', 'top-rear-right', 'subwoofer')`;
const SUBSTRATES = `('stud', 'steel-stud', 'solid-concrete', 'solid-block', 'solid-brick', 'soft-brick', 'hollow-block', 'furring', 'channel',
  'unknown')`;

const refers = (table: string, column: string, target: string) =>
  `ALTER TABLE ${table} ADD ${column} text,
  ADD CONSTRAINT ${table}_${column} FOREIGN KEY (project_id, ${column}) REFERENCES ${target} (project_id, id) DEFERRABLE INITIALLY DEFERRED;
CREATE INDEX ${table}_${column}_index ON ${table} (project_id, ${column});`;

const AREA_TABLES = ['devices', 'brief_cells', 'room_briefs', 'decisions', 'compromises', 'package_lines', 'walk_results'];
/** Of these a record belongs to a room or to an area. */
const ONE_PLACE = ['brief_cells', 'room_briefs', 'walk_results'];

const UP = `
${featuresMayBe(KINDS_OF_SITES)}
${topicsMayBe(`${TOPICS}, ${SITE_TOPICS}`)}
ALTER TABLE walls ADD substrate text CHECK (substrate IN ${SUBSTRATES});
ALTER TABLE features ADD route_known boolean NOT NULL DEFAULT true, ADD bore_leave text NOT NULL DEFAULT '';
ALTER TABLE features ALTER route_known DROP DEFAULT, ALTER bore_leave DROP DEFAULT;
${AREA_TABLES.map((table) => refers(table, 'area_id', 'features')).join('\n')}
${refers('devices', 'decision_id', 'decisions')}
${refers('devices', 'found_id', 'features')}
${refers('runs', 'found_id', 'features')}
ALTER TABLE devices ADD channel text CHECK (channel IN ${CHANNELS}), ADD outlet jsonb;
ALTER TABLE runs ADD stored boolean NOT NULL DEFAULT false;
ALTER TABLE runs ALTER stored DROP DEFAULT;
${ONE_PLACE.map(
  (table) => `ALTER TABLE ${table} ALTER room_id DROP NOT NULL,
  ADD CONSTRAINT ${table}_room_id_check CHECK ((room_id IS NULL) <> (area_id IS NULL));`,
).join('\n')}
ALTER TABLE brief_cells
  ADD CONSTRAINT brief_cells_area_once UNIQUE (project_id, area_id, topic) DEFERRABLE INITIALLY DEFERRED,
  ADD layout text NOT NULL DEFAULT '',
  ADD pre_wired boolean NOT NULL DEFAULT true;
ALTER TABLE brief_cells ALTER layout DROP DEFAULT, ALTER pre_wired DROP DEFAULT;
ALTER TABLE room_briefs ADD CONSTRAINT room_briefs_area_once UNIQUE (project_id, area_id) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE walk_results
  ADD CONSTRAINT walk_results_area_once UNIQUE (project_id, walk, area_id, topic) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE package_lines
  ADD part text NOT NULL DEFAULT 'all' CHECK (part IN ('all', 'cable', 'box', 'plate', 'device', 'power')),
  ADD supplied_by text NOT NULL DEFAULT 'builder' CHECK (supplied_by IN ${PARTIES}),
  ADD fitted_by text NOT NULL DEFAULT 'builder' CHECK (fitted_by IN ${PARTIES}),
  ADD programmed_by text NOT NULL DEFAULT 'nobody' CHECK (programmed_by IN ${PARTIES});
ALTER TABLE package_lines ALTER part DROP DEFAULT, ALTER supplied_by DROP DEFAULT, ALTER fitted_by DROP DEFAULT,
  ALTER programmed_by DROP DEFAULT;
ALTER TABLE projects
  ADD data_cable text NOT NULL DEFAULT 'cat6' CHECK (data_cable IN ('cat6', 'cat6a')),
  ADD room_data_cables integer NOT NULL DEFAULT 1 CHECK (room_data_cables BETWEEN 1 AND 4),
  ADD desk_data_cables integer NOT NULL DEFAULT 2 CHECK (desk_data_cables BETWEEN 1 AND 4),
  ADD outlet_price double precision CHECK (outlet_price >= 0),
  ADD window_price double precision CHECK (window_price >= 0);
ALTER TABLE projects ALTER data_cable DROP DEFAULT, ALTER room_data_cables DROP DEFAULT, ALTER desk_data_cables DROP DEFAULT;
`;

const FIRM = `
CREATE TABLE firm_cable_types (
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  system text NOT NULL,
  conductors integer NOT NULL,
  gauge_awg integer,
  material text NOT NULL,
  stranded boolean NOT NULL,
  outside_diameter_m double precision NOT NULL CHECK (outside_diameter_m > 0),
  bend_radius_m double precision NOT NULL CHECK (bend_radius_m > 0),
  pull_n double precision NOT NULL CHECK (pull_n > 0),
  family text NOT NULL,
  price_per_m double precision NOT NULL CHECK (price_per_m >= 0),
  jacket_colour text NOT NULL,
  rating text NOT NULL,
  also_rated jsonb NOT NULL,
  spool_m double precision NOT NULL CHECK (spool_m > 0),
  updated_at timestamptz NOT NULL,
  PRIMARY KEY (firm_id, id)
);
ALTER TABLE firms ADD project_defaults jsonb NOT NULL DEFAULT '{}';
ALTER TABLE groups DROP CONSTRAINT IF EXISTS groups_kind_check;
ALTER TABLE groups ADD CONSTRAINT groups_kind_check CHECK (kind IN ('audio', 'security', 'light', 'shade', 'control', 'option'));
`;

const DOWN = `
DROP TABLE firm_cable_types;
ALTER TABLE firms DROP project_defaults;
DELETE FROM group_members m USING groups g WHERE m.project_id = g.project_id AND m.group_id = g.id AND g.kind = 'option';
DELETE FROM groups WHERE kind = 'option';
ALTER TABLE groups DROP CONSTRAINT groups_kind_check;
ALTER TABLE groups ADD CONSTRAINT groups_kind_check CHECK (kind IN ('audio', 'security', 'light', 'shade', 'control'));
ALTER TABLE projects DROP data_cable, DROP room_data_cables, DROP desk_data_cables, DROP outlet_price, DROP window_price;
ALTER TABLE package_lines DROP part, DROP supplied_by, DROP fitted_by, DROP programmed_by;
${ONE_PLACE.map(
  (table) => `DELETE FROM ${table} WHERE room_id IS NULL;
ALTER TABLE ${table} DROP CONSTRAINT ${table}_room_id_check, ALTER room_id SET NOT NULL;`,
).join('\n')}
ALTER TABLE brief_cells DROP layout, DROP pre_wired;
ALTER TABLE runs DROP stored, DROP found_id;
ALTER TABLE devices DROP channel, DROP outlet, DROP decision_id, DROP found_id;
${AREA_TABLES.map((table) => `ALTER TABLE ${table} DROP area_id;`).join('\n')}
ALTER TABLE features DROP route_known, DROP bore_leave;
ALTER TABLE walls DROP substrate;
DELETE FROM brief_cells WHERE topic IN (${SITE_TOPICS});
DELETE FROM walk_results WHERE topic IN (${SITE_TOPICS});
UPDATE package_lines SET topic = NULL WHERE topic IN (${SITE_TOPICS});
UPDATE device_types SET answers = NULL WHERE answers IN (${SITE_TOPICS});
UPDATE features SET kind = 'plot' WHERE kind IN (${OUTDOORS});
UPDATE features SET kind = 'soffit' WHERE kind = 'coffer';
${topicsMayBe(TOPICS)}
${featuresMayBe(KINDS_WITH_NOTCHES)}
`;

/** Outdoor areas in the brief, prepared cables of an open decision, existing wiring as runs, layouts, packages by part, flat prices; cables and settings of a firm. */
export const siteAndDecisions: Migration = {
  name: '2026-12-10-site-and-decisions',
  up: (sql) => sql(UP + FIRM),
  down: (sql) => sql(DOWN),
};
