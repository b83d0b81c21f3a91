import { closestOnSegment, distance2, type Point2 } from '../math/index.ts';
import type { CollectionName, Level, Opening, ProjectDocument, Room } from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { CORNER_TOLERANCE_M, factOf, levelsFromBelow, wallGrid, type WallGrid } from '../house/index.ts';
import { openingFits } from '../survey/index.ts';
import { type Cure, defineCheck, type Rank, type Said } from './check.ts';

const finding = (
  rank: Rank,
  code: string,
  subject: { in: CollectionName; id: string },
  figures: Said['figures'],
  more: Partial<Pick<Said, 'measured' | 'allowed' | 'unit' | 'cures'>> = {},
): Said => ({ rank, code, subjects: [subject], measured: null, allowed: null, unit: '', ...more, figures });

const wallName = (document: ProjectDocument, wallId: string) => document.levels[document.walls[wallId].levelId].name;

/** A door or window that does not fit its wall cannot be built; one that can be moved or narrowed to fit is offered so. */
export const openingsFit = defineCheck({
  id: 'openings-fit',
  stage: 'survey',
  title: 'Doors and windows fit their walls and end below the ceiling',
  source: 'Geometry of the survey',
  severity: 'stop',
  appliesTo: 'openings',
  reads: ['levels', 'openings', 'rooms', 'walls'],
  run: ({ document }) =>
    listOf(document, 'openings').flatMap((opening) => {
      const fits = openingFits(document, opening);
      if (fits.ok) return [];
      const { code, ...figures } = fits.problem;
      return [
        finding(
          'stop',
          code,
          { in: 'openings', id: opening.id },
          { ...figures, number: wallName(document, opening.wallId), kind: opening.kind },
          { measured: opening.widthM, unit: 'm', cures: (house) => fittingCures(house, house.openings[opening.id]) },
        ),
      ];
    }),
});

function fittingCures(document: ProjectDocument, opening: Opening | undefined): Cure[] {
  if (!opening) return [];
  const wall = document.walls[opening.wallId];
  const lengthM = distance2(wall.a, wall.b);
  const widthM = Math.min(opening.widthM, lengthM);
  const offsetM = Math.min(lengthM - widthM / 2, Math.max(widthM / 2, opening.offsetM));
  const next = { ...opening, widthM, offsetM };
  if (!openingFits(document, next).ok) return [];
  const changed = (['widthM', 'offsetM'] as const).filter((field) => next[field] !== opening[field]);
  const pick = (from: Opening) => Object.fromEntries(changed.map((field) => [field, from[field]]));
  return [
    {
      code: 'fit-opening',
      figures: { widthM, kind: opening.kind },
      operations: [{ op: 'update', in: 'openings', id: opening.id, before: pick(opening), after: pick(next) }],
    },
  ];
}

/** Levels whose rooms would stand in each other are entered wrongly. */
export const levelsApart = defineCheck({
  id: 'levels-apart',
  stage: 'survey',
  title: 'Every level lies clear above the one below',
  source: 'Geometry of the survey',
  severity: 'stop',
  appliesTo: 'levels',
  reads: ['levels', 'walls'],
  run: ({ document }) => {
    const levels = levelsFromBelow(document);
    return levels.slice(1).flatMap((upper, i) => {
      const lower = levels[i];
      const topM = lower.elevationM + lower.ceilingHeightM;
      const overlapM = topM - upper.elevationM;
      // Levels beside each other (a wing half a storey up) share no ground and may share heights.
      if (overlapM <= 1e-6 || !shareGround(document, lower.id, upper.id)) return [];
      const elevationM = topM + lower.cavityDepthM;
      const lift = (now: Level): Cure => ({
        code: 'lift-level',
        figures: { name: upper.name, elevationM },
        operations: [{ op: 'update', in: 'levels', id: upper.id, before: { elevationM: now.elevationM }, after: { elevationM } }],
      });
      return [
        finding(
          'stop',
          'levels-overlap',
          { in: 'levels', id: upper.id },
          { number: upper.name, upper: upper.name, lower: lower.name, overlapM },
          {
            measured: upper.elevationM,
            allowed: topM,
            unit: 'm',
            cures: (house) => (house.levels[upper.id] ? [lift(house.levels[upper.id])] : []),
          },
        ),
      ];
    });
  },
});

function shareGround(document: ProjectDocument, a: string, b: string): boolean {
  const boxOf = (levelId: string) => {
    const points = onLevel(document, 'walls', levelId).flatMap((wall) => [wall.a, wall.b]);
    return points.length === 0
      ? null
      : [
          Math.min(...points.map((p) => p[0])),
          Math.min(...points.map((p) => p[1])),
          Math.max(...points.map((p) => p[0])),
          Math.max(...points.map((p) => p[1])),
        ];
  };
  const [p, q] = [boxOf(a), boxOf(b)];
  return p !== null && q !== null && p[0] < q[2] - 0.1 && q[0] < p[2] - 0.1 && p[1] < q[3] - 0.1 && q[1] < p[3] - 0.1;
}

/** A room's ceiling below the head of a window in its walls: one of the two is measured wrongly. */
export const ceilingAboveHeads = defineCheck({
  id: 'ceiling-above-heads',
  stage: 'survey',
  title: 'No ceiling lies below the head of a window or door in its room',
  source: 'Geometry of the survey',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['levels', 'openings', 'rooms', 'walls'],
  run: ({ document }) => {
    return listOf(document, 'openings').flatMap((opening) => {
      const wall = document.walls[opening.wallId];
      const t = opening.offsetM / distance2(wall.a, wall.b);
      const at: Point2 = [wall.a[0] + (wall.b[0] - wall.a[0]) * t, wall.a[1] + (wall.b[1] - wall.a[1]) * t];
      const low = onLevel(document, 'rooms', wall.levelId)
        .filter((room) => onOutline(room, at))
        .find((room) => ceilingOf(document, room) < opening.headM - 1e-9);
      if (!low) return [];
      const ceilingM = ceilingOf(document, low);
      return [
        finding(
          'look',
          'ceiling-below-head',
          { in: 'rooms', id: low.id },
          { number: low.code, room: low.name, headM: opening.headM, ceilingM, kind: opening.kind },
          { measured: ceilingM, allowed: opening.headM, unit: 'm' },
        ),
      ];
    });
  },
});

const ceilingOf = (document: ProjectDocument, room: Room) =>
  room.slope?.highM ?? room.ceilingHeightM ?? document.levels[room.levelId].ceilingHeightM;

function onOutline({ polygon }: Room, p: Point2): boolean {
  return polygon.some((a, i) => {
    const b = polygon[(i + 1) % polygon.length];
    return Math.abs(distance2(p, a) + distance2(p, b) - distance2(a, b)) < 0.01;
  });
}

/** Steps along a room's side at which a wall must be there, m. */
const SIDE_STEP_M = 0.25;

/**
 * Rooms whose walls are not closed keep an outline that nothing holds any more. A side is held where walls lie along all of it;
 * that is quicker to see than to find all closed areas, and this runs at every change.
 */
export const roomsClosed = defineCheck({
  id: 'rooms-closed',
  stage: 'survey',
  title: 'Every room is closed by walls',
  source: 'Geometry of the survey',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['levels', 'rooms', 'walls'],
  run: ({ document }) => {
    const grids = new Map(listOf(document, 'levels').map(({ id }) => [id, wallGrid(onLevel(document, 'walls', id))]));
    return listOf(document, 'rooms').flatMap((room) => {
      const walls = onLevel(document, 'walls', room.levelId);
      const grid = grids.get(room.levelId)!;
      if (walls.length === 0 || isHeld(room, grid)) return [];
      return [finding('look', 'room-open', { in: 'rooms', id: room.id }, { number: room.code, room: room.name })];
    });
  },
});

function isHeld({ polygon }: Room, grid: WallGrid): boolean {
  return polygon.every((a, i) => {
    const b = polygon[(i + 1) % polygon.length];
    const along = grid.along(a, b, 2 * CORNER_TOLERANCE_M);
    const steps = Math.max(1, Math.ceil(distance2(a, b) / SIDE_STEP_M));
    for (let k = 0; k <= steps; k++) {
      const p: Point2 = [a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps];
      if (!along.some((wall) => closestOnSegment(p, wall.a, wall.b).distanceM <= 2 * CORNER_TOLERANCE_M)) return false;
    }
    return true;
  });
}

/** A cavity that somebody looked for and could not know, in a wall that devices are meant for: practice B07. */
export const cavitiesKnown = defineCheck({
  id: 'cavities-known',
  stage: 'survey',
  title: 'Cavities that devices go into are measured',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'walls',
  reads: ['facts', 'levels', 'walls'],
  run: ({ document }) =>
    listOf(document, 'walls').flatMap((wall) =>
      factOf(document, 'walls', wall.id, 'cavityDepthM')?.state === 'not-known'
        ? [
            finding(
              'look',
              'cavity-not-known',
              { in: 'walls', id: wall.id },
              {
                number: document.levels[wall.levelId].code,
                place: wallName(document, wall.id),
                wallM: distance2(wall.a, wall.b),
              },
              { measured: wall.cavityDepthM, unit: 'm' },
            ),
          ]
        : [],
    ),
});
