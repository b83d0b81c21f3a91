import type { Migration } from './migration.ts';

/** What the labels of a run said when they were printed. */
export const printedLabels: Migration = {
  name: '2026-12-06-printed-labels',
  up: (sql) => sql(`ALTER TABLE runs ADD printed_as text NOT NULL DEFAULT ''; ALTER TABLE runs ALTER printed_as DROP DEFAULT;`),
  down: (sql) => sql('ALTER TABLE runs DROP printed_as;'),
};
