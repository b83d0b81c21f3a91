import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE projects
  ADD construction text NOT NULL DEFAULT 'new-framing' CHECK (construction IN ('new-framing', 'retrofit', 'slab', 'heritage')),
  ADD route_weights jsonb NOT NULL DEFAULT '{}';
ALTER TABLE projects ALTER construction DROP DEFAULT, ALTER route_weights DROP DEFAULT;
CREATE TABLE trunks (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  rack_id text NOT NULL,
  segments jsonb NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT trunks_rack_id FOREIGN KEY (project_id, rack_id) REFERENCES racks (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT trunks_one_a_rack UNIQUE (project_id, rack_id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE route_rules (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  run_id text,
  kind text NOT NULL CHECK (kind IN ('through', 'avoid')),
  target text NOT NULL CHECK (target IN ('riser', 'feature', 'wall', 'room', 'point')),
  target_id text NOT NULL,
  at jsonb,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT route_rules_run_id FOREIGN KEY (project_id, run_id) REFERENCES runs (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX route_rules_run ON route_rules (project_id, run_id);
`;

const DOWN = `
DROP TABLE route_rules, trunks;
ALTER TABLE projects DROP construction, DROP route_weights;
`;

/** Ways that runs share, rules for ways, and what a way costs in a house of this construction. */
export const sharedRoutes: Migration = {
  name: '2026-11-28-trunks',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
