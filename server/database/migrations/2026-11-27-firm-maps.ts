import type { Migration } from './migration.ts';

const UP = `
CREATE TABLE firm_conductor_maps (
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  lines jsonb NOT NULL,
  note text NOT NULL,
  updated_at timestamptz NOT NULL,
  PRIMARY KEY (firm_id, id)
);
`;

const DOWN = `
DROP TABLE firm_conductor_maps;
`;

/** Conductor maps that a firm keeps for its new projects. */
export const firmMaps: Migration = {
  name: '2026-11-27-firm-maps',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
