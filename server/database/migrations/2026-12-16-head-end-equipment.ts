import type { Migration } from './migration.ts';

const KINDS =
  "'patch-panel', 'coax-panel', 'switch', 'router', 'modem', 'recorder', 'controller', 'hub', 'amplifier', 'receiver', 'source', 'matrix', 'extender', 'power-strip', 'ups', 'supply', 'splitter', 'rf-amplifier', 'multiswitch', 'tap', 'diplexer', 'combiner', 'modulator', 'speaker-block', 'alarm-panel', 'shelf', 'vent', 'blank', 'cable-manager', 'other'";

const UP = `
CREATE TABLE circuits (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  volts double precision NOT NULL CHECK (volts BETWEEN 90 AND 480),
  breaker_a double precision NOT NULL CHECK (breaker_a > 0),
  is_dedicated boolean NOT NULL,
  other_w double precision NOT NULL CHECK (other_w >= 0),
  PRIMARY KEY (project_id, id),
  CONSTRAINT circuits_name UNIQUE (project_id, name) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE equipment (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  rack_id text NOT NULL,
  kind text NOT NULL CHECK (kind IN (${KINDS})),
  name text NOT NULL,
  preset_id text NOT NULL,
  units integer NOT NULL CHECK (units BETWEEN 0 AND 60),
  at_unit integer CHECK (at_unit BETWEEN 1 AND 60),
  face text NOT NULL CHECK (face IN ('front', 'rear')),
  x_m double precision CHECK (x_m >= 0),
  y_m double precision CHECK (y_m >= 0),
  width_m double precision NOT NULL CHECK (width_m > 0),
  height_m double precision NOT NULL CHECK (height_m > 0),
  depth_m double precision NOT NULL CHECK (depth_m > 0),
  weight_kg double precision NOT NULL CHECK (weight_kg >= 0),
  power_w double precision NOT NULL CHECK (power_w >= 0),
  heat_w double precision NOT NULL CHECK (heat_w >= 0),
  power_factor double precision NOT NULL CHECK (power_factor BETWEEN 0.1 AND 1),
  is_mains boolean NOT NULL,
  plugs integer NOT NULL CHECK (plugs >= 0),
  poe_w double precision CHECK (poe_w >= 0),
  amplifier jsonb,
  ups jsonb,
  supply jsonb,
  recorder jsonb,
  gain_db double precision,
  through_db double precision CHECK (through_db <= 0),
  closes_unused boolean NOT NULL,
  picture jsonb,
  wiring text CHECK (wiring IN ('parallel', 'series', 'series-parallel')),
  alarm jsonb,
  tie_device_id text,
  ports jsonb NOT NULL,
  feed_id text,
  circuit_id text,
  start_order integer NOT NULL CHECK (start_order >= 0),
  shed_after_min double precision CHECK (shed_after_min >= 0),
  may_restart boolean NOT NULL,
  is_locked boolean NOT NULL,
  serial text NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT equipment_at_unit CHECK (units > 0 OR at_unit IS NULL),
  CONSTRAINT equipment_rack_id FOREIGN KEY (project_id, rack_id) REFERENCES racks (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT equipment_feed_id FOREIGN KEY (project_id, feed_id) REFERENCES equipment (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT equipment_tie_device_id FOREIGN KEY (project_id, tie_device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT equipment_circuit_id FOREIGN KEY (project_id, circuit_id) REFERENCES circuits (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX equipment_by_rack ON equipment (project_id, rack_id);
CREATE TABLE terminations (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  run_id text NOT NULL,
  equipment_id text NOT NULL,
  port text NOT NULL,
  pad_db double precision NOT NULL CHECK (pad_db BETWEEN 0 AND 30),
  is_locked boolean NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT terminations_run UNIQUE (project_id, run_id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT terminations_port UNIQUE (project_id, equipment_id, port) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT terminations_run_id FOREIGN KEY (project_id, run_id) REFERENCES runs (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT terminations_equipment_id FOREIGN KEY (project_id, equipment_id) REFERENCES equipment (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE patches (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  equipment_id text NOT NULL,
  port text NOT NULL,
  to_equipment_id text NOT NULL,
  to_port text NOT NULL,
  color text NOT NULL,
  length_m double precision NOT NULL CHECK (length_m > 0),
  waits boolean NOT NULL,
  is_locked boolean NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT patches_port UNIQUE (project_id, equipment_id, port) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT patches_to_port UNIQUE (project_id, to_equipment_id, to_port) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT patches_to_port_check CHECK (equipment_id <> to_equipment_id OR port <> to_port),
  CONSTRAINT patches_equipment_id FOREIGN KEY (project_id, equipment_id) REFERENCES equipment (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT patches_to_equipment_id FOREIGN KEY (project_id, to_equipment_id) REFERENCES equipment (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE zones (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  place_ids jsonb NOT NULL,
  source_ids jsonb NOT NULL,
  mode_name text NOT NULL,
  volume text NOT NULL CHECK (volume IN ('central', 'local')),
  PRIMARY KEY (project_id, id),
  CONSTRAINT zones_name UNIQUE (project_id, name) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE rf_sources (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  service text NOT NULL CHECK (service IN ('cable-modem', 'analogue-catv', 'off-air-8vsb', 'off-air-cofdm', 'dvb-c', 'fm', 'satellite-if')),
  device_id text,
  lowest_mhz double precision NOT NULL CHECK (lowest_mhz > 0),
  highest_mhz double precision NOT NULL,
  at_lowest_dbuv double precision NOT NULL,
  at_highest_dbuv double precision NOT NULL,
  reading jsonb,
  latitude_deg double precision,
  longitude_deg double precision,
  transmitter_latitude_deg double precision,
  transmitter_longitude_deg double precision,
  slot_deg double precision,
  declination_deg double precision NOT NULL,
  horizon jsonb NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT rf_sources_highest_mhz_check CHECK (highest_mhz >= lowest_mhz),
  CONSTRAINT rf_sources_name UNIQUE (project_id, name) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT rf_sources_device_id FOREIGN KEY (project_id, device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE scenes (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  room_id text,
  trigger text NOT NULL CHECK (trigger IN ('button', 'sensor', 'sunset', 'sunrise', 'time', 'voice', 'leave', 'arrive')),
  device_id text,
  at text NOT NULL,
  actions jsonb NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT scenes_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT scenes_device_id FOREIGN KEY (project_id, device_id) REFERENCES devices (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
ALTER TABLE racks ADD closet jsonb;
`;

const DOWN = `
ALTER TABLE racks DROP closet;
DROP TABLE scenes;
DROP TABLE rf_sources;
DROP TABLE zones;
DROP TABLE patches;
DROP TABLE terminations;
DROP TABLE equipment;
DROP TABLE circuits;
`;

/** Equipment of head ends, where runs are terminated, cords, mains circuits; zones, signals on coax, scenes; closets of racks. */
export const headEndEquipment: Migration = {
  name: '2026-12-16-head-end-equipment',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
