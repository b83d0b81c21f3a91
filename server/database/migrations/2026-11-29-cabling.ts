import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE projects
  ADD traced_factor double precision NOT NULL DEFAULT 1.03 CHECK (traced_factor BETWEEN 1 AND 1.5),
  ADD reserve_m double precision NOT NULL DEFAULT 0 CHECK (reserve_m BETWEEN 0 AND 20),
  ADD slack_style text NOT NULL DEFAULT 'figure-eight' CHECK (slack_style IN ('figure-eight', 'zigzag', 'wall-loop', 'none')),
  ADD site_rates jsonb NOT NULL DEFAULT '{"channelPerM": 18, "openingPerM2": 140, "paintPerM2": 22}';
ALTER TABLE projects ALTER traced_factor DROP DEFAULT, ALTER reserve_m DROP DEFAULT, ALTER slack_style DROP DEFAULT,
  ALTER site_rates DROP DEFAULT;
ALTER TABLE racks ADD slack_style text NOT NULL DEFAULT 'to-unit' CHECK (slack_style IN ('to-unit', 'slide-out', 'panel'));
ALTER TABLE racks ALTER slack_style DROP DEFAULT;
ALTER TABLE cable_types
  ADD jacket_colour text NOT NULL DEFAULT '',
  ADD rating text NOT NULL DEFAULT 'general' CHECK (rating IN ('general', 'riser', 'plenum', 'outdoor', 'limited'));
ALTER TABLE cable_types ALTER jacket_colour DROP DEFAULT, ALTER rating DROP DEFAULT;
ALTER TABLE runs
  ADD slack_style text CHECK (slack_style IN ('figure-eight', 'zigzag', 'wall-loop', 'none')),
  ADD printed_on text NOT NULL DEFAULT '';
ALTER TABLE runs ALTER printed_on DROP DEFAULT;
ALTER TABLE features ADD reserved boolean NOT NULL DEFAULT false;
ALTER TABLE features ALTER reserved DROP DEFAULT;
ALTER TABLE features DROP CONSTRAINT features_kind_check;
ALTER TABLE features ADD CONSTRAINT features_kind_check CHECK (kind IN ('beam', 'soffit', 'duct', 'flue', 'fireplace', 'steel', 'pipe', 'wet-zone', 'supply-vent', 'recessed-light', 'mains-route', 'service-panel', 'sprinkler', 'insulation', 'attic', 'crawl-space', 'basement-ceiling', 'chase', 'disused-chimney', 'conduit', 'soffit-way', 'outside-wall-way', 'surface-channel', 'underground-way', 'screed-way', 'draw-pit', 'service-entry', 'existing-wiring', 'existing-box', 'existing-bracket', 'existing-cut-out', 'existing-equipment', 'existing-switch-box', 'substrate', 'trade-mark', 'bed', 'sofa', 'chair', 'table', 'desk', 'cabinet', 'island', 'seat-row', 'other-furniture', 'plot', 'terrace', 'drive', 'pool', 'tree', 'fence', 'gate', 'outbuilding', 'roof-plane', 'stub-out', 'building-corner'));
CREATE TABLE seals (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  member text NOT NULL CHECK (member IN ('fire', 'floor', 'sole-plate', 'top-plate', 'masonry', 'board')),
  at jsonb NOT NULL,
  assembly text NOT NULL,
  product text NOT NULL,
  system text NOT NULL,
  state text NOT NULL CHECK (state IN ('open', 'sealed', 'inspected')),
  by text NOT NULL,
  "on" text NOT NULL,
  photo text NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT seals_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX seals_level ON seals (project_id, level_id);
CREATE TABLE spent_numbers (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  number text NOT NULL,
  "on" text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT spent_numbers_once UNIQUE (project_id, number) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE number_blocks (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  holder text NOT NULL,
  "from" integer NOT NULL CHECK ("from" BETWEEN 1 AND 9999),
  "to" integer NOT NULL CHECK ("to" BETWEEN 1 AND 9999),
  "on" text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT number_blocks_order CHECK ("to" >= "from")
);
CREATE TABLE way_signs (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  feature_id text NOT NULL,
  points jsonb NOT NULL,
  cover_m double precision NOT NULL CHECK (cover_m BETWEEN 0 AND 1),
  photo text NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT way_signs_feature_id FOREIGN KEY (project_id, feature_id) REFERENCES features (project_id, id)
    DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT way_signs_one_a_way UNIQUE (project_id, feature_id) DEFERRABLE INITIALLY DEFERRED
);
`;

const DOWN = `
DROP TABLE way_signs, number_blocks, spent_numbers, seals;
DELETE FROM features WHERE kind = 'screed-way';
ALTER TABLE features DROP reserved;
ALTER TABLE features DROP CONSTRAINT features_kind_check;
ALTER TABLE features ADD CONSTRAINT features_kind_check CHECK (kind IN ('beam', 'soffit', 'duct', 'flue', 'fireplace', 'steel', 'pipe', 'wet-zone', 'supply-vent', 'recessed-light', 'mains-route', 'service-panel', 'sprinkler', 'insulation', 'attic', 'crawl-space', 'basement-ceiling', 'chase', 'disused-chimney', 'conduit', 'soffit-way', 'outside-wall-way', 'surface-channel', 'underground-way', 'draw-pit', 'service-entry', 'existing-wiring', 'existing-box', 'existing-bracket', 'existing-cut-out', 'existing-equipment', 'existing-switch-box', 'substrate', 'trade-mark', 'bed', 'sofa', 'chair', 'table', 'desk', 'cabinet', 'island', 'seat-row', 'other-furniture', 'plot', 'terrace', 'drive', 'pool', 'tree', 'fence', 'gate', 'outbuilding', 'roof-plane', 'stub-out', 'building-corner'));
ALTER TABLE runs DROP slack_style, DROP printed_on;
ALTER TABLE cable_types DROP jacket_colour, DROP rating;
ALTER TABLE racks DROP slack_style;
ALTER TABLE projects DROP traced_factor, DROP reserve_m, DROP slack_style, DROP site_rates;
`;

/** Lengths, labels, seals and ways in screed. */
export const cabling: Migration = {
  name: '2026-11-29-cabling',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
