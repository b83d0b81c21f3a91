import type { Migration } from './migration.ts';

const most = (column: string, usual: string) =>
  `COALESCE((SELECT mode() WITHIN GROUP (ORDER BY ${column}) FROM rooms
      WHERE rooms.project_id = levels.project_id AND rooms.level_id = levels.id), ${usual})`;

/** How new rooms and walls of a level are made; as most of the rooms that it has. */
export const levelDefaults: Migration = {
  name: '2026-12-05-level-defaults',
  up: (sql) =>
    sql(`ALTER TABLE levels ADD defaults jsonb;
UPDATE levels SET defaults = jsonb_build_object(
  'framing', ${most('framing', "'solid'")},
  'joistAngleRad', ${most('joist_angle_rad', '0')},
  'joistSpacingM', ${most('joist_spacing_m', '0.4')},
  'joistDepthM', ${most('joist_depth_m', '0.235')},
  'wall', null);
ALTER TABLE levels ALTER defaults SET NOT NULL;`),
  down: (sql) => sql('ALTER TABLE levels DROP defaults;'),
};
