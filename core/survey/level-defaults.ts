import { type Level, type Operation, type ProjectDocument, type Room, sameValue, update, type WallKind } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';
import { factOf } from '../house/index.ts';
import { WALL_BUILDS, type WallBuild } from './walls.ts';

export type LevelDefaults = Level['defaults'];
/** What a level says of the joists of its rooms. */
export type JoistDefaults = Omit<LevelDefaults, 'wall'>;

const JOIST_FIELDS = ['framing', 'joistAngleRad', 'joistSpacingM', 'joistDepthM'] as const;

/**
 * Changes how rooms and walls of a level are made by default. Rooms that were as the level said follow it; what was measured in a
 * room, or set there otherwise, stays.
 */
export function setLevelDefaults(project: ProjectDocument, levelId: string, after: Partial<LevelDefaults>): Operation[] {
  const level = project.levels[levelId];
  const before = level.defaults;
  const defaults = { ...before, ...after };
  const changed = JOIST_FIELDS.filter((field) => defaults[field] !== before[field]);
  const rooms = onLevel(project, 'rooms', levelId).map((room) => {
    const follows = changed.filter(
      (field) => room[field] === before[field] && factOf(project, 'rooms', room.id, field)?.state !== 'measured',
    );
    return update('rooms', room, Object.fromEntries(follows.map((field) => [field, defaults[field]])) as Partial<Room>);
  });
  return [update('levels', level, { defaults }), ...rooms].filter((operation) => operation !== null);
}

/** How a wall of a kind is made on a level: as its default says where it is of that kind, else as is usual. */
export function wallBuildOf(level: Level | undefined, kind?: WallKind): WallBuild {
  const wall = level?.defaults.wall ?? null;
  return wall && (kind === undefined || wall.kind === kind) ? wall : WALL_BUILDS[kind ?? 'stud'];
}

const BUILD_FIELDS = Object.keys(WALL_BUILDS.stud) as (keyof WallBuild)[];

/** How a wall is made, without where it stands and where its first stud is. */
export const buildOf = (wall: WallBuild): WallBuild =>
  ({ ...Object.fromEntries(BUILD_FIELDS.map((field) => [field, wall[field]])), studOffsetM: 0 }) as WallBuild;

/** Whether walls of a level are drawn as this one is. */
export const isDefaultBuild = (level: Level, wall: WallBuild): boolean => sameValue(wallBuildOf(level), buildOf(wall));
