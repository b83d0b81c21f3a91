import type { Migration } from './migration.ts';
import { featuresMayBe, KINDS_WITH_AIR } from './2026-12-01-air-and-cords.ts';

export const KINDS_WITH_NOTCHES = `${KINDS_WITH_AIR}, 'existing-notch'`;

/** Notches that were found in studs, joists and plates. */
export const notches: Migration = {
  name: '2026-12-02-notches',
  up: (sql) => sql(featuresMayBe(KINDS_WITH_NOTCHES)),
  down: (sql) => sql(`DELETE FROM features WHERE kind = 'existing-notch'; ${featuresMayBe(KINDS_WITH_AIR)}`),
};
