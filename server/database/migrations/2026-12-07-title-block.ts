import type { Migration } from './migration.ts';

/** What stands in the title block of a plan: the firm and how it is reached, and where north is. */
export const titleBlock: Migration = {
  name: '2026-12-07-title-block',
  up: (sql) =>
    sql(`ALTER TABLE projects ADD firm text NOT NULL DEFAULT '', ADD firm_contact text NOT NULL DEFAULT '', ADD north_rad double precision;
UPDATE projects SET firm = firms.name FROM firms WHERE firms.id = projects.firm_id;
ALTER TABLE projects ALTER firm DROP DEFAULT, ALTER firm_contact DROP DEFAULT;`),
  down: (sql) => sql('ALTER TABLE projects DROP firm, DROP firm_contact, DROP north_rad;'),
};
