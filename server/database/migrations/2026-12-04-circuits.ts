import type { Migration } from './migration.ts';

/** How many circuits a mains route holds: what cable keeps from it follows from that in some regions. */
export const circuits: Migration = {
  name: '2026-12-04-circuits',
  up: (sql) =>
    sql(`ALTER TABLE features ADD circuits integer NOT NULL DEFAULT 1 CHECK (circuits BETWEEN 0 AND 1000);
ALTER TABLE features ALTER circuits DROP DEFAULT;`),
  down: (sql) => sql('ALTER TABLE features DROP circuits;'),
};
