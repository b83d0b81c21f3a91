import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE room_briefs ADD use_groups jsonb NOT NULL DEFAULT '[]';
ALTER TABLE theatres
  ADD modes jsonb NOT NULL DEFAULT '[]',
  ADD front_wall text NOT NULL DEFAULT 'open' CHECK (front_wall IN ('open', 'panels', 'sound-bar')),
  ADD stand_off_m double precision NOT NULL DEFAULT 0.35 CHECK (stand_off_m >= 0),
  ADD panel_kg_m2 double precision NOT NULL DEFAULT 6 CHECK (panel_kg_m2 > 0),
  ADD column_depth_m double precision NOT NULL DEFAULT 0 CHECK (column_depth_m >= 0),
  ADD surround_kind text NOT NULL DEFAULT 'direct' CHECK (surround_kind IN ('direct', 'wide')),
  ADD surround_reason text NOT NULL DEFAULT '',
  ADD draped_opening_ids jsonb NOT NULL DEFAULT '[]';
UPDATE features SET chosen = true WHERE choice_of = '';
`;

const DOWN = `
ALTER TABLE theatres
  DROP modes, DROP front_wall, DROP stand_off_m, DROP panel_kg_m2, DROP column_depth_m,
  DROP surround_kind, DROP surround_reason, DROP draped_opening_ids;
ALTER TABLE room_briefs DROP use_groups;
`;

/** Who uses a room together; modes, front wall, columns, drapes and kind of surrounds of a theatre. */
export const useGroupsAndModes: Migration = {
  name: '2026-12-15-use-groups-and-modes',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
