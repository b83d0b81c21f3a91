import type { Migration } from './migration.ts';

const UP = `
CREATE TABLE firms (
  id uuid PRIMARY KEY,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  is_demo boolean NOT NULL,
  created_at timestamptz NOT NULL
);
CREATE TABLE members (
  id uuid PRIMARY KEY,
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  email text NOT NULL UNIQUE CHECK (email = lower(email)),
  name text NOT NULL,
  password_hash text NOT NULL,
  created_at timestamptz NOT NULL
);
CREATE INDEX members_firm ON members (firm_id);
CREATE TABLE sessions (
  sid varchar NOT NULL PRIMARY KEY,
  sess json NOT NULL,
  expire timestamp(6) NOT NULL
);
CREATE INDEX sessions_expire ON sessions (expire);

CREATE TABLE secrets (
  name text PRIMARY KEY,
  value text NOT NULL
);

CREATE TABLE projects (
  id uuid PRIMARY KEY,
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  revision integer NOT NULL CHECK (revision >= 0),
  short_id text NOT NULL CHECK (short_id ~ '^[0-9A-HJKMNP-TV-Z]{5}$'),
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  description text NOT NULL,
  client text NOT NULL,
  address text NOT NULL,
  units text NOT NULL CHECK (units IN ('metric', 'imperial')),
  jurisdiction text NOT NULL CHECK (jurisdiction IN ('NA', 'EU', 'UK', 'other')),
  number_pattern text NOT NULL,
  waste_factor double precision NOT NULL CHECK (waste_factor BETWEEN 1 AND 1.5),
  rack_slack_m double precision NOT NULL CHECK (rack_slack_m >= 0),
  ambient_c double precision NOT NULL,
  created_at timestamptz NOT NULL,
  updated_at timestamptz NOT NULL
);
CREATE INDEX projects_firm ON projects (firm_id, updated_at DESC);
CREATE INDEX projects_short_id ON projects (firm_id, short_id);

CREATE TABLE changes (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id uuid NOT NULL,
  revision integer NOT NULL CHECK (revision > 0),
  member_id uuid REFERENCES members (id) ON DELETE SET NULL,
  title text NOT NULL,
  operations jsonb NOT NULL,
  undoes uuid,
  created_at timestamptz NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT changes_revision UNIQUE (project_id, revision)
);
CREATE TABLE pictures (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL CHECK (id ~ '^[0-9a-f]{64}$'),
  media_type text NOT NULL CHECK (media_type IN ('image/png', 'image/jpeg')),
  width_px integer NOT NULL CHECK (width_px BETWEEN 1 AND 16000),
  height_px integer NOT NULL CHECK (height_px BETWEEN 1 AND 16000),
  bytes bytea NOT NULL,
  PRIMARY KEY (project_id, id)
);

CREATE TABLE levels (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  code text NOT NULL,
  name text NOT NULL,
  "order" integer NOT NULL,
  elevation_m double precision NOT NULL,
  ceiling_height_m double precision NOT NULL CHECK (ceiling_height_m > 0),
  cavity_depth_m double precision NOT NULL CHECK (cavity_depth_m >= 0),
  grid_angle_rad double precision NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT levels_code UNIQUE (project_id, code) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE rooms (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  code text NOT NULL,
  name text NOT NULL,
  use text NOT NULL,
  polygon jsonb NOT NULL,
  ceiling_height_m double precision CHECK (ceiling_height_m > 0),
  framing text NOT NULL CHECK (framing IN ('solid', 'i-joist', 'open-web', 'dropped', 'none')),
  joist_angle_rad double precision NOT NULL,
  joist_spacing_m double precision NOT NULL CHECK (joist_spacing_m > 0),
  PRIMARY KEY (project_id, id),
  CONSTRAINT rooms_code UNIQUE (project_id, level_id, code) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT rooms_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE walls (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  a jsonb NOT NULL,
  b jsonb NOT NULL,
  thickness_m double precision NOT NULL CHECK (thickness_m > 0),
  kind text NOT NULL CHECK (kind IN ('stud', 'insulated', 'furred', 'masonry', 'concrete', 'glazed', 'fire', 'closed')),
  cavity_depth_m double precision NOT NULL CHECK (cavity_depth_m >= 0),
  cable_may_run boolean NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT walls_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX walls_level ON walls (project_id, level_id);
CREATE TABLE openings (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  wall_id text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('door', 'window', 'arch')),
  offset_m double precision NOT NULL CHECK (offset_m >= 0),
  width_m double precision NOT NULL CHECK (width_m > 0),
  sill_m double precision NOT NULL CHECK (sill_m >= 0),
  head_m double precision NOT NULL,
  hinge text CHECK (hinge IN ('start', 'end')),
  swing text CHECK (swing IN ('left', 'right')),
  PRIMARY KEY (project_id, id),
  CONSTRAINT openings_head CHECK (head_m > sill_m),
  CONSTRAINT openings_wall_id FOREIGN KEY (project_id, wall_id) REFERENCES walls (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX openings_wall ON openings (project_id, wall_id);
CREATE TABLE risers (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  x double precision NOT NULL,
  y double precision NOT NULL,
  width_m double precision NOT NULL CHECK (width_m > 0),
  depth_m double precision NOT NULL CHECK (depth_m > 0),
  bottom_level_id text NOT NULL,
  top_level_id text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT risers_bottom_level_id FOREIGN KEY (project_id, bottom_level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT risers_top_level_id FOREIGN KEY (project_id, top_level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE racks (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  code text NOT NULL,
  name text NOT NULL,
  x double precision NOT NULL,
  y double precision NOT NULL,
  facing_rad double precision NOT NULL,
  width_m double precision NOT NULL CHECK (width_m > 0),
  depth_m double precision NOT NULL CHECK (depth_m > 0),
  units integer NOT NULL CHECK (units BETWEEN 1 AND 60),
  entry_height_m double precision NOT NULL CHECK (entry_height_m >= 0),
  PRIMARY KEY (project_id, id),
  CONSTRAINT racks_code UNIQUE (project_id, code) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT racks_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE underlays (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  picture_id text NOT NULL,
  name text NOT NULL,
  origin_x double precision NOT NULL,
  origin_y double precision NOT NULL,
  metres_per_pixel double precision NOT NULL CHECK (metres_per_pixel > 0),
  rotation_rad double precision NOT NULL,
  opacity double precision NOT NULL CHECK (opacity BETWEEN 0 AND 1),
  scaled boolean NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT underlays_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT underlays_picture_id FOREIGN KEY (project_id, picture_id) REFERENCES pictures (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE cable_types (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  system text NOT NULL CHECK (system IN ('sound', 'picture', 'data', 'coax', 'control', 'shade', 'light', 'guard')),
  conductors integer NOT NULL CHECK (conductors > 0),
  gauge_awg integer CHECK (gauge_awg BETWEEN -3 AND 40),
  material text NOT NULL CHECK (material IN ('copper', 'cca', 'ccs', 'fibre')),
  stranded boolean NOT NULL,
  outside_diameter_m double precision NOT NULL CHECK (outside_diameter_m > 0),
  bend_radius_m double precision NOT NULL CHECK (bend_radius_m > 0),
  pull_n double precision NOT NULL CHECK (pull_n > 0),
  family text NOT NULL,
  PRIMARY KEY (project_id, id)
);
CREATE TABLE device_types (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  code text NOT NULL CHECK (code ~ '^[A-Z0-9]{2}$'),
  name text NOT NULL,
  system text NOT NULL CHECK (system IN ('sound', 'picture', 'data', 'coax', 'control', 'shade', 'light', 'guard')),
  mount text NOT NULL CHECK (mount IN ('ceiling', 'wall', 'floor')),
  default_height_m double precision,
  size_m jsonb NOT NULL,
  round boolean NOT NULL,
  impedance_ohm double precision CHECK (impedance_ohm > 0),
  sound_use text CHECK (sound_use IN ('distributed', 'theatre')),
  cables jsonb NOT NULL,
  PRIMARY KEY (project_id, id)
);
CREATE TABLE devices (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  type_id text NOT NULL,
  level_id text NOT NULL,
  room_id text,
  number integer NOT NULL CHECK (number BETWEEN 1 AND 9999),
  name text NOT NULL,
  x double precision NOT NULL,
  y double precision NOT NULL,
  height_m double precision,
  facing_rad double precision NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT devices_number UNIQUE (project_id, room_id, number) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT devices_type_id FOREIGN KEY (project_id, type_id) REFERENCES device_types (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT devices_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT devices_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX devices_level ON devices (project_id, level_id);
CREATE TABLE runs (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  number text NOT NULL CHECK (number ~ '^[A-Z0-9./-]{1,40}$'),
  device_id text NOT NULL,
  rack_id text NOT NULL,
  leg integer NOT NULL CHECK (leg BETWEEN 1 AND 99),
  cable_type_id text NOT NULL,
  purpose text NOT NULL,
  state text NOT NULL CHECK (state IN ('drafted', 'issued', 'labelled', 'pulled', 'terminated', 'tested')),
  bundle text NOT NULL,
  device_slack_m double precision NOT NULL CHECK (device_slack_m >= 0),
  rack_slack_m double precision NOT NULL CHECK (rack_slack_m >= 0),
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT runs_number UNIQUE (project_id, number) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT runs_device_id FOREIGN KEY (project_id, device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT runs_rack_id FOREIGN KEY (project_id, rack_id) REFERENCES racks (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT runs_cable_type_id FOREIGN KEY (project_id, cable_type_id) REFERENCES cable_types (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX runs_device ON runs (project_id, device_id);
CREATE TABLE routes (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  run_id text NOT NULL,
  points jsonb NOT NULL,
  media jsonb NOT NULL,
  rise_m double precision NOT NULL CHECK (rise_m >= 0),
  run_m double precision NOT NULL CHECK (run_m >= 0),
  drop_m double precision NOT NULL CHECK (drop_m >= 0),
  device_slack_m double precision NOT NULL CHECK (device_slack_m >= 0),
  rack_slack_m double precision NOT NULL CHECK (rack_slack_m >= 0),
  cut_length_m double precision NOT NULL CHECK (cut_length_m >= 0),
  accepted_at jsonb,
  PRIMARY KEY (project_id, id),
  CONSTRAINT routes_run_id_once UNIQUE (project_id, run_id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT routes_run_id FOREIGN KEY (project_id, run_id) REFERENCES runs (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
`;

const DOWN = `
DROP TABLE routes, runs, devices, device_types, cable_types, underlays, racks, risers, openings, walls, rooms, levels,
  pictures, changes, projects, secrets, sessions, members, firms;
`;

export const firstTables: Migration = {
  name: '2026-11-24-first-tables',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
