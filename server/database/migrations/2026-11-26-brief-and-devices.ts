import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE projects
  ADD currency text NOT NULL DEFAULT 'EUR' CHECK (length(currency) BETWEEN 1 AND 6),
  ADD labour_rate double precision NOT NULL DEFAULT 65 CHECK (labour_rate >= 0),
  ADD speaker_colours text NOT NULL DEFAULT 'white-black-first' CHECK (speaker_colours IN ('white-black-first', 'red-black-first'));
UPDATE projects SET currency = 'USD' WHERE units = 'imperial';
ALTER TABLE projects ALTER currency DROP DEFAULT, ALTER labour_rate DROP DEFAULT, ALTER speaker_colours DROP DEFAULT;
ALTER TABLE cable_types ADD price_per_m double precision NOT NULL DEFAULT 0 CHECK (price_per_m >= 0);
ALTER TABLE cable_types ALTER price_per_m DROP DEFAULT;
CREATE TABLE conductor_maps (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  lines jsonb NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id)
);
CREATE TABLE phases (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  "order" integer NOT NULL CHECK ("order" BETWEEN 0 AND 99),
  name text NOT NULL,
  "on" text NOT NULL CHECK ("on" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  PRIMARY KEY (project_id, id)
);
ALTER TABLE device_types DROP CONSTRAINT device_types_mount_check,
  ADD CONSTRAINT device_types_mount_check CHECK (mount IN ('ceiling', 'wall', 'surface', 'soffit', 'floor', 'stand', 'mast', 'rack', 'joinery', 'ground')),
  ADD version integer NOT NULL DEFAULT 1 CHECK (version >= 1),
  ADD part text NOT NULL DEFAULT 'device' CHECK (part IN ('device', 'mount', 'bracket')),
  ADD depth_m double precision NOT NULL DEFAULT 0 CHECK (depth_m >= 0),
  ADD clamp_m double precision NOT NULL DEFAULT 0 CHECK (clamp_m >= 0),
  ADD weight_kg double precision NOT NULL DEFAULT 0 CHECK (weight_kg >= 0),
  ADD ports jsonb NOT NULL DEFAULT '[]',
  ADD heat_w double precision NOT NULL DEFAULT 0 CHECK (heat_w >= 0),
  ADD box_kind text NOT NULL DEFAULT 'none' CHECK (box_kind IN ('none', 'open-ring', 'one-gang', 'one-gang-deep', 'two-gang', 'recessed-two-gang', 'round', 'back-box', 'weatherproof', 'floor-box')),
  ADD keep_clear_m double precision NOT NULL DEFAULT 0 CHECK (keep_clear_m >= 0),
  ADD link text NOT NULL DEFAULT 'cable' CHECK (link IN ('cable', 'mains-radio', 'battery-radio', 'mains-only')),
  ADD tools text NOT NULL DEFAULT '',
  ADD premade text NOT NULL DEFAULT '',
  ADD price double precision NOT NULL DEFAULT 0 CHECK (price >= 0),
  ADD hours double precision NOT NULL DEFAULT 0 CHECK (hours >= 0),
  ADD answers text CHECK (answers IN ('sound', 'surround', 'display', 'network', 'wifi', 'keypad', 'camera', 'shade', 'light', 'climate', 'security', 'door', 'charging', 'coax')),
  ADD cut_out jsonb,
  ADD frame_m jsonb,
  ADD hole_pattern_m jsonb,
  ADD poe_class integer CHECK (poe_class BETWEEN 1 AND 8),
  ADD dc_v double precision CHECK (dc_v > 0),
  ADD dc_w double precision CHECK (dc_w >= 0),
  ADD mains_w double precision CHECK (mains_w >= 0),
  ADD coverage_rad double precision CHECK (coverage_rad > 0),
  ADD sensitivity_db double precision CHECK (sensitivity_db >= 0),
  ADD accepts jsonb,
  ADD holds jsonb;
ALTER TABLE device_types ALTER version DROP DEFAULT, ALTER part DROP DEFAULT, ALTER depth_m DROP DEFAULT, ALTER clamp_m DROP DEFAULT, ALTER weight_kg DROP DEFAULT, ALTER ports DROP DEFAULT, ALTER heat_w DROP DEFAULT, ALTER box_kind DROP DEFAULT, ALTER keep_clear_m DROP DEFAULT, ALTER link DROP DEFAULT, ALTER tools DROP DEFAULT, ALTER premade DROP DEFAULT, ALTER price DROP DEFAULT, ALTER hours DROP DEFAULT;
UPDATE device_types SET cables = coalesce((
  SELECT jsonb_agg('{"to": "rack", "toTypeId": null, "deviceConnector": "", "farConnector": "", "mapId": null, "optional": false}'::jsonb || leg ORDER BY n)
  FROM jsonb_array_elements(cables) WITH ORDINALITY AS legs (leg, n)), '[]'::jsonb);
CREATE TABLE firm_device_types (LIKE device_types INCLUDING CONSTRAINTS);
ALTER TABLE firm_device_types
  DROP COLUMN project_id,
  ADD firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  ADD updated_at timestamptz NOT NULL,
  ADD PRIMARY KEY (firm_id, id);
ALTER TABLE devices
  ADD fitting text NOT NULL DEFAULT 'fitted' CHECK (fitting IN ('fitted', 'prepared', 'spare')),
  ADD phase_id text,
  ADD mount_type_id text,
  ADD finish text NOT NULL DEFAULT '',
  ADD wishes jsonb NOT NULL DEFAULT '[]',
  ADD seen_from text NOT NULL DEFAULT '',
  ADD tail_m double precision CHECK (tail_m >= 0),
  ADD CONSTRAINT devices_phase_id FOREIGN KEY (project_id, phase_id) REFERENCES phases (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  ADD CONSTRAINT devices_mount_type_id FOREIGN KEY (project_id, mount_type_id) REFERENCES device_types (project_id, id) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE devices ALTER fitting DROP DEFAULT, ALTER finish DROP DEFAULT, ALTER wishes DROP DEFAULT, ALTER seen_from DROP DEFAULT;
ALTER TABLE runs
  ADD to_device_id text,
  ADD device_connector text NOT NULL DEFAULT '',
  ADD far_connector text NOT NULL DEFAULT '',
  ADD map_id text,
  ADD CONSTRAINT runs_to_device_id FOREIGN KEY (project_id, to_device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  ADD CONSTRAINT runs_map_id FOREIGN KEY (project_id, map_id) REFERENCES conductor_maps (project_id, id) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE runs ALTER device_connector DROP DEFAULT, ALTER far_connector DROP DEFAULT;
CREATE INDEX runs_to_device ON runs (project_id, to_device_id);
CREATE TABLE brief_cells (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text NOT NULL,
  topic text NOT NULL CHECK (topic IN ('sound', 'surround', 'display', 'network', 'wifi', 'keypad', 'camera', 'shade', 'light', 'climate', 'security', 'door', 'charging', 'coax')),
  answer text NOT NULL CHECK (answer IN ('wanted', 'prepared', 'later', 'nothing')),
  count integer NOT NULL CHECK (count BETWEEN 0 AND 99),
  threshold double precision CHECK (threshold >= 0),
  type_id text,
  phase_id text,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT brief_cells_once UNIQUE (project_id, room_id, topic) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT brief_cells_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT brief_cells_type_id FOREIGN KEY (project_id, type_id) REFERENCES device_types (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT brief_cells_phase_id FOREIGN KEY (project_id, phase_id) REFERENCES phases (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE room_briefs (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text NOT NULL,
  who text NOT NULL,
  used text NOT NULL CHECK (used IN ('', 'daily', 'weekly', 'seldom')),
  noise text NOT NULL,
  overflow_seats integer NOT NULL CHECK (overflow_seats >= 0),
  walk_order integer NOT NULL CHECK (walk_order >= 0),
  signed_by text NOT NULL,
  signed_on text NOT NULL CHECK (signed_on ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  PRIMARY KEY (project_id, id),
  CONSTRAINT room_briefs_once UNIQUE (project_id, room_id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT room_briefs_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE decisions (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text,
  subject text NOT NULL,
  options jsonb NOT NULL,
  gate text NOT NULL CHECK (gate IN ('framing', 'mains-rough-in', 'low-voltage-rough-in', 'slab-pour', 'insulation', 'board', 'paint', 'joinery', 'trim-out')),
  lead_days integer NOT NULL CHECK (lead_days >= 0),
  owner text NOT NULL,
  chosen text NOT NULL,
  decided_on text NOT NULL CHECK (decided_on ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT decisions_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE trade_dates (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  gate text NOT NULL CHECK (gate IN ('framing', 'mains-rough-in', 'low-voltage-rough-in', 'slab-pour', 'insulation', 'board', 'paint', 'joinery', 'trim-out')),
  "on" text NOT NULL CHECK ("on" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  PRIMARY KEY (project_id, id),
  CONSTRAINT trade_dates_once UNIQUE (project_id, gate) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE compromises (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text,
  device_id text,
  what text NOT NULL,
  reason text NOT NULL,
  effect text NOT NULL,
  "on" text NOT NULL CHECK ("on" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  accepted_by text NOT NULL,
  signed_on text NOT NULL CHECK (signed_on ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  PRIMARY KEY (project_id, id),
  CONSTRAINT compromises_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT compromises_device_id FOREIGN KEY (project_id, device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE package_lines (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text,
  topic text CHECK (topic IN ('sound', 'surround', 'display', 'network', 'wifi', 'keypad', 'camera', 'shade', 'light', 'climate', 'security', 'door', 'charging', 'coax')),
  count integer NOT NULL CHECK (count >= 0),
  words text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT package_lines_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE walk_results (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text NOT NULL,
  topic text NOT NULL CHECK (topic IN ('sound', 'surround', 'display', 'network', 'wifi', 'keypad', 'camera', 'shade', 'light', 'climate', 'security', 'door', 'charging', 'coax')),
  found text NOT NULL CHECK (found IN ('there', 'missing', 'different')),
  by text NOT NULL,
  "on" text NOT NULL CHECK ("on" ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'),
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT walk_results_once UNIQUE (project_id, room_id, topic) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT walk_results_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE room_templates (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  use text NOT NULL,
  cells jsonb NOT NULL,
  devices jsonb NOT NULL,
  PRIMARY KEY (project_id, id)
);
CREATE TABLE "groups" (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('audio', 'security', 'light', 'shade', 'control')),
  name text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT groups_once UNIQUE (project_id, kind, name) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE group_members (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  group_id text NOT NULL,
  device_id text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT group_members_once UNIQUE (project_id, group_id, device_id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT group_members_group_id FOREIGN KEY (project_id, group_id) REFERENCES "groups" (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT group_members_device_id FOREIGN KEY (project_id, device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE plates (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  room_id text,
  name text NOT NULL,
  x double precision NOT NULL,
  y double precision NOT NULL,
  height_m double precision NOT NULL,
  facing_rad double precision NOT NULL,
  gangs integer NOT NULL CHECK (gangs BETWEEN 1 AND 6),
  box_kind text NOT NULL CHECK (box_kind IN ('none', 'open-ring', 'one-gang', 'one-gang-deep', 'two-gang', 'recessed-two-gang', 'round', 'back-box', 'weatherproof', 'floor-box')),
  divider boolean NOT NULL,
  mains_gangs integer NOT NULL CHECK (mains_gangs BETWEEN 0 AND 6),
  opening text NOT NULL CHECK (opening IN ('inserts', 'brush', 'wide-mouth')),
  finish text NOT NULL,
  inserts jsonb NOT NULL,
  beside_m double precision CHECK (beside_m >= 0),
  PRIMARY KEY (project_id, id),
  CONSTRAINT plates_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT plates_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
`;

const DOWN = `
DROP TABLE plates, group_members, "groups", room_templates, walk_results, package_lines, compromises, trade_dates, decisions, room_briefs, brief_cells, firm_device_types;
ALTER TABLE runs DROP to_device_id, DROP device_connector, DROP far_connector, DROP map_id;
ALTER TABLE devices DROP fitting, DROP phase_id, DROP mount_type_id, DROP finish, DROP wishes, DROP seen_from, DROP tail_m;
UPDATE device_types SET cables = coalesce((
  SELECT jsonb_agg(leg - 'to' - 'toTypeId' - 'deviceConnector' - 'farConnector' - 'mapId' - 'optional' ORDER BY n)
  FROM jsonb_array_elements(cables) WITH ORDINALITY AS legs (leg, n)), '[]'::jsonb);
ALTER TABLE device_types DROP CONSTRAINT device_types_mount_check,
  DROP version,
  DROP part,
  DROP depth_m,
  DROP clamp_m,
  DROP weight_kg,
  DROP ports,
  DROP heat_w,
  DROP box_kind,
  DROP keep_clear_m,
  DROP link,
  DROP tools,
  DROP premade,
  DROP price,
  DROP hours,
  DROP answers,
  DROP cut_out,
  DROP frame_m,
  DROP hole_pattern_m,
  DROP poe_class,
  DROP dc_v,
  DROP dc_w,
  DROP mains_w,
  DROP coverage_rad,
  DROP sensitivity_db,
  DROP accepts,
  DROP holds;
UPDATE device_types SET mount = CASE WHEN mount IN ('ceiling', 'soffit') THEN 'ceiling' WHEN mount = 'floor' THEN 'floor' ELSE 'wall' END;
ALTER TABLE device_types ADD CONSTRAINT device_types_mount_check CHECK (mount IN ('ceiling', 'wall', 'floor'));
DROP TABLE phases, conductor_maps;
ALTER TABLE cable_types DROP price_per_m;
ALTER TABLE projects DROP currency, DROP labour_rate, DROP speaker_colours;
`;

/** The brief, the library in full, what devices and runs take from it, and a firm's own library. */
export const briefAndDevices: Migration = {
  name: '2026-11-26-brief-and-devices',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
