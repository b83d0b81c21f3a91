import type { Migration } from '../migrate.ts';

const KINDS = `'beam', 'soffit', 'duct', 'flue', 'fireplace', 'steel', 'pipe', 'wet-zone', 'supply-vent',
  'recessed-light', 'mains-route', 'service-panel', 'sprinkler', 'insulation', 'attic', 'crawl-space',
  'basement-ceiling', 'chase', 'disused-chimney', 'conduit', 'soffit-way', 'outside-wall-way',
  'surface-channel', 'underground-way', 'screed-way', 'draw-pit', 'service-entry', 'existing-wiring',
  'existing-box', 'existing-bracket', 'existing-cut-out', 'existing-equipment', 'existing-switch-box',
  'substrate', 'trade-mark', 'bed', 'sofa', 'chair', 'table', 'desk', 'cabinet', 'island', 'seat-row',
  'other-furniture', 'plot', 'terrace', 'drive', 'pool', 'tree', 'fence', 'gate', 'outbuilding',
  'roof-plane', 'stub-out', 'building-corner', 'air-space'`;

const mayBe = (kinds: string): string => `
ALTER TABLE features DROP CONSTRAINT features_kind_check;
ALTER TABLE features ADD CONSTRAINT features_kind_check CHECK (kind IN (${kinds}));
`;

/** Notches that were found in studs, joists and plates. */
export const notches: Migration = {
  name: '2026-12-02-notches',
  up: (sql) => sql(mayBe(`${KINDS}, 'existing-notch'`)),
  down: (sql) => sql(`DELETE FROM features WHERE kind = 'existing-notch'; ${mayBe(KINDS)}`),
};
