import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE pictures ADD paper_metres_per_pixel double precision CHECK (paper_metres_per_pixel > 0);
ALTER TABLE underlays ADD mirrored boolean NOT NULL DEFAULT false;
ALTER TABLE underlays ALTER mirrored DROP DEFAULT;
`;

const DOWN = `
ALTER TABLE underlays DROP mirrored;
ALTER TABLE pictures DROP paper_metres_per_pixel;
`;

/** Plan pictures know the size of their sheet of paper, and may be mirrored. */
export const sheetsOfPaper: Migration = {
  name: '2026-12-12-sheets-of-paper',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
