import type { Migration } from './migration.ts';

const UP = `
UPDATE equipment SET alarm = alarm || '{"acrossOhm": 0}' WHERE alarm IS NOT NULL AND alarm->'acrossOhm' IS NULL;
`;

const DOWN = `
UPDATE equipment SET alarm = alarm - 'acrossOhm' WHERE alarm IS NOT NULL;
`;

/** Double end-of-line resistors of alarm panels. */
export const doubleEndOfLine: Migration = {
  name: '2026-12-20-double-end-of-line',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
