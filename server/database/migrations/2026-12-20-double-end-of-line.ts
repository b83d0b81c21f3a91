import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE terminations ADD place integer NOT NULL DEFAULT 1 CHECK (place BETWEEN 1 AND 4);
ALTER TABLE terminations DROP CONSTRAINT terminations_port;
ALTER TABLE terminations
  ADD CONSTRAINT terminations_port UNIQUE (project_id, equipment_id, port, place) DEFERRABLE INITIALLY DEFERRED;
UPDATE equipment SET alarm = alarm || '{"acrossOhm": 0}' WHERE alarm IS NOT NULL AND alarm->'acrossOhm' IS NULL;
`;

const DOWN = `
DELETE FROM terminations WHERE place > 1;
ALTER TABLE terminations DROP CONSTRAINT terminations_port;
ALTER TABLE terminations ADD CONSTRAINT terminations_port UNIQUE (project_id, equipment_id, port) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE terminations DROP place;
UPDATE equipment SET alarm = alarm - 'acrossOhm' WHERE alarm IS NOT NULL;
`;

/** Contacts that share a zone, and double end-of-line resistors of alarm panels. */
export const doubleEndOfLine: Migration = {
  name: '2026-12-20-double-end-of-line',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
