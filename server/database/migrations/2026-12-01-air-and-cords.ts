import type { Migration } from './migration.ts';

/** Kinds of things before this; written out, as it was then. */
const KINDS = `'beam', 'soffit', 'duct', 'flue', 'fireplace', 'steel', 'pipe', 'wet-zone', 'supply-vent',
  'recessed-light', 'mains-route', 'service-panel', 'sprinkler', 'insulation', 'attic', 'crawl-space',
  'basement-ceiling', 'chase', 'disused-chimney', 'conduit', 'soffit-way', 'outside-wall-way',
  'surface-channel', 'underground-way', 'screed-way', 'draw-pit', 'service-entry', 'existing-wiring',
  'existing-box', 'existing-bracket', 'existing-cut-out', 'existing-equipment', 'existing-switch-box',
  'substrate', 'trade-mark', 'bed', 'sofa', 'chair', 'table', 'desk', 'cabinet', 'island', 'seat-row',
  'other-furniture', 'plot', 'terrace', 'drive', 'pool', 'tree', 'fence', 'gate', 'outbuilding',
  'roof-plane', 'stub-out', 'building-corner'`;
const RATINGS = `'general', 'riser', 'plenum', 'outdoor', 'limited'`;

/** An early form of `2026-11-29-cabling` made neither of these columns; databases that had it are brought level here. */
const LEVEL = `
ALTER TABLE features ADD COLUMN IF NOT EXISTS reserved boolean NOT NULL DEFAULT false;
ALTER TABLE features ALTER reserved DROP DEFAULT;
ALTER TABLE cable_types ADD COLUMN IF NOT EXISTS rating text NOT NULL DEFAULT 'general';
ALTER TABLE cable_types ALTER rating DROP DEFAULT;
`;

/** With spaces that move air. */
export const KINDS_WITH_AIR = `${KINDS}, 'air-space'`;

export const featuresMayBe = (kinds: string): string => `
ALTER TABLE features DROP CONSTRAINT features_kind_check;
ALTER TABLE features ADD CONSTRAINT features_kind_check CHECK (kind IN (${kinds}));
`;

const mayBe = (kinds: string, ratings: string): string => `${featuresMayBe(kinds)}
ALTER TABLE cable_types DROP CONSTRAINT IF EXISTS cable_types_rating_check;
ALTER TABLE cable_types ADD CONSTRAINT cable_types_rating_check CHECK (rating IN (${ratings}));
`;

/** Spaces that move air, and cords, which may not lie in walls. */
export const airAndCords: Migration = {
  name: '2026-12-01-air-and-cords',
  up: (sql) => sql(LEVEL + mayBe(KINDS_WITH_AIR, `${RATINGS}, 'cord'`)),
  down: (sql) =>
    sql(`
DELETE FROM features WHERE kind = 'air-space';
UPDATE cable_types SET rating = 'limited' WHERE rating = 'cord';
${mayBe(KINDS, RATINGS)}`),
};
