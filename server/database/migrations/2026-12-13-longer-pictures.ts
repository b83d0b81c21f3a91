import type { Migration } from './migration.ts';

const sides = (most: number, known = '') => `
ALTER TABLE pictures
  DROP CONSTRAINT pictures_width_px_check, ADD CONSTRAINT pictures_width_px_check CHECK (width_px BETWEEN 1 AND ${most})${known},
  DROP CONSTRAINT pictures_height_px_check, ADD CONSTRAINT pictures_height_px_check CHECK (height_px BETWEEN 1 AND ${most})${known};
`;

/** Long plans: a side of a plan picture may have more pixels. */
export const longerPictures: Migration = {
  name: '2026-12-13-longer-pictures',
  up: (sql) => sql(sides(40_000)),
  // Longer pictures that are there stay.
  down: (sql) => sql(sides(16_000, ' NOT VALID')),
};
