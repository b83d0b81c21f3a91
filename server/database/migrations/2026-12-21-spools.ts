import type { Migration } from './migration.ts';

const UP = `
CREATE TABLE spools (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  code text NOT NULL,
  cable_type_id text NOT NULL,
  length_m double precision NOT NULL CHECK (length_m > 0),
  jacket_colour text NOT NULL,
  make text NOT NULL,
  is_boxed boolean NOT NULL,
  needs_stand boolean NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT spools_code UNIQUE (project_id, code) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT spools_cable_type_id FOREIGN KEY (project_id, cable_type_id) REFERENCES cable_types (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE spool_cuts (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  spool_id text NOT NULL,
  run_id text,
  length_m double precision NOT NULL CHECK (length_m > 0),
  "on" text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT spool_cuts_spool_id FOREIGN KEY (project_id, spool_id) REFERENCES spools (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT spool_cuts_run_id FOREIGN KEY (project_id, run_id) REFERENCES runs (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE spool_offers (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  cable_type_id text NOT NULL,
  name text NOT NULL,
  length_m double precision NOT NULL CHECK (length_m > 0),
  price_cents integer NOT NULL CHECK (price_cents >= 0),
  supplier text NOT NULL,
  lead_days integer NOT NULL CHECK (lead_days >= 0),
  PRIMARY KEY (project_id, id),
  CONSTRAINT spool_offers_cable_type_id FOREIGN KEY (project_id, cable_type_id) REFERENCES cable_types (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
ALTER TABLE projects ADD spool_settings jsonb NOT NULL DEFAULT '{"confidence": 0.95, "aim": "cost", "keepM": 10}';
ALTER TABLE projects ALTER spool_settings DROP DEFAULT;
`;

const DOWN = `
ALTER TABLE projects DROP spool_settings;
DROP TABLE spool_offers;
DROP TABLE spool_cuts;
DROP TABLE spools;
`;

/** Spools that are there, what was cut from them, sizes on offer, and how spools are planned. */
export const spools: Migration = {
  name: '2026-12-21-spools',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
