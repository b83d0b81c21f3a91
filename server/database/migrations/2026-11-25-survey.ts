import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE levels
  ADD floor_build_up_m double precision NOT NULL DEFAULT 0 CHECK (floor_build_up_m >= 0),
  ADD benchmark_m double precision;
ALTER TABLE levels ALTER floor_build_up_m DROP DEFAULT;
ALTER TABLE rooms
  DROP CONSTRAINT rooms_framing_check,
  ADD CONSTRAINT rooms_framing_check CHECK (framing IN ('solid', 'i-joist', 'open-web', 'dropped', 'slab', 'none')),
  ADD joist_depth_m double precision NOT NULL DEFAULT 0.235 CHECK (joist_depth_m >= 0),
  ADD joist_offset_m double precision NOT NULL DEFAULT 0,
  ADD floor_m double precision NOT NULL DEFAULT 0,
  ADD ceiling_kind text NOT NULL DEFAULT 'flat'
    CHECK (ceiling_kind IN ('flat', 'sloped', 'vaulted', 'coffered', 'dropped', 'open-joists', 'concrete')),
  ADD slope jsonb;
ALTER TABLE rooms ALTER joist_depth_m DROP DEFAULT, ALTER joist_offset_m DROP DEFAULT, ALTER floor_m DROP DEFAULT,
  ALTER ceiling_kind DROP DEFAULT;
ALTER TABLE walls
  ADD height_m double precision CHECK (height_m > 0),
  ADD stud_material text NOT NULL DEFAULT 'wood' CHECK (stud_material IN ('wood', 'steel', 'none')),
  ADD stud_spacing_m double precision NOT NULL DEFAULT 0.4 CHECK (stud_spacing_m >= 0),
  ADD stud_offset_m double precision NOT NULL DEFAULT 0,
  ADD stud_width_m double precision NOT NULL DEFAULT 0.045 CHECK (stud_width_m >= 0),
  ADD top_plates integer NOT NULL DEFAULT 2 CHECK (top_plates BETWEEN 0 AND 4),
  ADD finish_left text NOT NULL DEFAULT '',
  ADD finish_left_m double precision NOT NULL DEFAULT 0.0125 CHECK (finish_left_m >= 0),
  ADD finish_right text NOT NULL DEFAULT '',
  ADD finish_right_m double precision NOT NULL DEFAULT 0.0125 CHECK (finish_right_m >= 0);
UPDATE walls SET stud_material = 'none', stud_spacing_m = 0, stud_width_m = 0, top_plates = 0
  WHERE kind IN ('masonry', 'concrete', 'glazed');
ALTER TABLE walls ALTER stud_material DROP DEFAULT, ALTER stud_spacing_m DROP DEFAULT, ALTER stud_offset_m DROP DEFAULT,
  ALTER stud_width_m DROP DEFAULT, ALTER top_plates DROP DEFAULT, ALTER finish_left DROP DEFAULT,
  ALTER finish_left_m DROP DEFAULT, ALTER finish_right DROP DEFAULT, ALTER finish_right_m DROP DEFAULT;
ALTER TABLE openings
  ADD casing_width_m double precision NOT NULL DEFAULT 0.07 CHECK (casing_width_m >= 0),
  ADD casing_depth_m double precision NOT NULL DEFAULT 0 CHECK (casing_depth_m >= 0),
  ADD pocket boolean NOT NULL DEFAULT false,
  ADD hardware text NOT NULL DEFAULT '';
ALTER TABLE openings ALTER casing_width_m DROP DEFAULT, ALTER casing_depth_m DROP DEFAULT, ALTER pocket DROP DEFAULT,
  ALTER hardware DROP DEFAULT;
ALTER TABLE risers ADD contents text NOT NULL DEFAULT '';
ALTER TABLE risers ALTER contents DROP DEFAULT;
ALTER TABLE racks ADD kind text NOT NULL DEFAULT 'rack' CHECK (kind IN ('rack', 'enclosure'));
ALTER TABLE racks ALTER kind DROP DEFAULT;
ALTER TABLE underlays
  ADD metres_per_pixel_y double precision CHECK (metres_per_pixel_y > 0),
  ADD crop jsonb,
  ADD locked boolean NOT NULL DEFAULT false,
  ADD retired boolean NOT NULL DEFAULT false;
UPDATE underlays SET metres_per_pixel_y = metres_per_pixel;
ALTER TABLE underlays ALTER metres_per_pixel_y SET NOT NULL, ALTER locked DROP DEFAULT, ALTER retired DROP DEFAULT;
ALTER TABLE pictures
  DROP CONSTRAINT pictures_media_type_check,
  ADD CONSTRAINT pictures_media_type_check
    CHECK (media_type IN ('image/png', 'image/jpeg', 'image/webp', 'image/svg+xml'));

CREATE TABLE features (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('beam', 'soffit', 'duct', 'flue', 'fireplace', 'steel', 'pipe', 'wet-zone', 'supply-vent', 'recessed-light', 'mains-route', 'service-panel', 'sprinkler', 'insulation', 'attic', 'crawl-space', 'basement-ceiling', 'chase', 'disused-chimney', 'conduit', 'soffit-way', 'outside-wall-way', 'surface-channel', 'underground-way', 'draw-pit', 'service-entry', 'existing-wiring', 'existing-box', 'existing-bracket', 'existing-cut-out', 'existing-equipment', 'existing-switch-box', 'substrate', 'trade-mark', 'bed', 'sofa', 'chair', 'table', 'desk', 'cabinet', 'island', 'seat-row', 'other-furniture', 'plot', 'terrace', 'drive', 'pool', 'tree', 'fence', 'gate', 'outbuilding', 'roof-plane', 'stub-out', 'building-corner')),
  name text NOT NULL,
  points jsonb NOT NULL,
  area boolean NOT NULL,
  width_m double precision NOT NULL CHECK (width_m >= 0),
  depth_m double precision NOT NULL CHECK (depth_m >= 0),
  facing_rad double precision NOT NULL,
  bottom_m double precision NOT NULL,
  top_m double precision NOT NULL,
  edge text NOT NULL CHECK (edge IN ('lower', 'centre', 'top')),
  clearance_m double precision NOT NULL CHECK (clearance_m >= 0),
  pitch_rad double precision CHECK (pitch_rad >= 0),
  inside_diameter_m double precision CHECK (inside_diameter_m >= 0),
  contents text NOT NULL,
  top_level_id text,
  tested text CHECK (tested IN ('measured', 'assumed', 'not-known')),
  decision text CHECK (decision IN ('open', 'keep', 'reuse', 'abandon', 'make-good', 'accept', 'move', 'strike')),
  owner text NOT NULL,
  choice_of text NOT NULL,
  chosen boolean NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT features_heights CHECK (top_m >= bottom_m),
  CONSTRAINT features_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT features_top_level_id FOREIGN KEY (project_id, top_level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX features_level ON features (project_id, level_id);
CREATE TABLE framing_members (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  wall_id text,
  room_id text,
  kind text NOT NULL CHECK (kind IN ('stud', 'joist', 'doubled', 'blocking')),
  offset_m double precision NOT NULL,
  width_m double precision NOT NULL CHECK (width_m > 0),
  bottom_m double precision NOT NULL,
  top_m double precision NOT NULL,
  present boolean NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT framing_members_wall_id FOREIGN KEY (project_id, wall_id) REFERENCES walls (project_id, id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT framing_members_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE facts (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  subject text NOT NULL CHECK (subject IN ('levels', 'rooms', 'walls', 'openings', 'risers', 'racks', 'features')),
  subject_id text NOT NULL,
  field text NOT NULL,
  state text NOT NULL CHECK (state IN ('measured', 'assumed', 'not-known')),
  by text NOT NULL,
  "on" text NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT facts_field UNIQUE (project_id, subject, subject_id, field) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE dimensions (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  a jsonb NOT NULL,
  b jsonb NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT dimensions_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE reference_points (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  level_id text NOT NULL,
  name text NOT NULL,
  x double precision NOT NULL,
  y double precision NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT reference_points_name UNIQUE (project_id, level_id, name) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT reference_points_level_id FOREIGN KEY (project_id, level_id) REFERENCES levels (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
`;

const DOWN = `
DROP TABLE reference_points, dimensions, facts, framing_members, features;
DELETE FROM underlays WHERE picture_id IN (SELECT id FROM pictures WHERE media_type NOT IN ('image/png', 'image/jpeg'));
DELETE FROM pictures WHERE media_type NOT IN ('image/png', 'image/jpeg');
ALTER TABLE pictures
  DROP CONSTRAINT pictures_media_type_check,
  ADD CONSTRAINT pictures_media_type_check CHECK (media_type IN ('image/png', 'image/jpeg'));
ALTER TABLE underlays DROP metres_per_pixel_y, DROP crop, DROP locked, DROP retired;
ALTER TABLE racks DROP kind;
ALTER TABLE risers DROP contents;
ALTER TABLE openings DROP casing_width_m, DROP casing_depth_m, DROP pocket, DROP hardware;
ALTER TABLE walls DROP height_m, DROP stud_material, DROP stud_spacing_m, DROP stud_offset_m, DROP stud_width_m, DROP top_plates,
  DROP finish_left, DROP finish_left_m, DROP finish_right, DROP finish_right_m;
UPDATE rooms SET framing = 'none' WHERE framing = 'slab';
ALTER TABLE rooms
  DROP CONSTRAINT rooms_framing_check,
  ADD CONSTRAINT rooms_framing_check CHECK (framing IN ('solid', 'i-joist', 'open-web', 'dropped', 'none')),
  DROP joist_depth_m, DROP joist_offset_m, DROP floor_m, DROP ceiling_kind, DROP slope;
ALTER TABLE levels DROP floor_build_up_m, DROP benchmark_m;
`;

export const survey: Migration = {
  name: '2026-11-25-survey',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
