import { riserSteps } from '../calculators/index.ts';
import { onLevel } from '../derive/index.ts';
import { ceilingHeightAt } from '../house/index.ts';
import { type Point2, pointInPolygon } from '../math/index.ts';
import { create, type Feature, newFeature, type ProjectDocument, type Room } from '../model/index.ts';
import { THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { inTheatres, rowFeatures } from './theatre-subjects.ts';

const LIMITS = { headRoomM: { usual: 2.03, min: 2, max: 2.4, unit: 'm', safer: 'more' } } as const;
/** Steps serve a row from this near beside its end, m. */
const BESIDE_M = 1.2;

/** One steps up to a riser by equal steps, does not fall off it, and does not hit one's head on it (ENGINEERING 9.3). */
export const riserAccess = defineCheck({
  id: 'riser-access',
  title: 'Risers have steps, guards and head room',
  source: 'IRC R311.7, R312, R305; UK Approved Document K: local code governs',
  calculators: ['riser-steps'],
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'features',
  safety: true,
  reads: ['features', 'levels', 'project', 'rooms'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room) =>
      [...new Set(theatre.seats.map(({ row }) => row))].flatMap((row): RuleFinding[] => {
        const ids = rowFeatures(theatre, row);
        const [feature] = ids.map((id) => project.features[id]);
        const riseM = feature.bottomM - room.floorM;
        const region = project.project.jurisdiction === 'UK' ? 'uk' : 'na';
        const built = riserSteps.run({ riseM: Math.min(3, Math.max(0, riseM)), region });
        if (!built.ok || riseM <= 1e-9) return [];
        const subjects = [
          { in: 'features' as const, id: feature.id },
          { in: 'rooms' as const, id: room.id },
        ];
        const about = { number: room.code, row, riseM };
        const headM = ceilingHeightAt(room, project.levels[room.levelId], feature.points[0] as Point2) - feature.bottomM;
        const found: RuleFinding[] = [];
        if (headM < limit('headRoomM') * (1 - 1e-9))
          found.push(
            say(
              'stop',
              'riser-low-ceiling',
              subjects,
              { ...about, headM, leastM: limit('headRoomM') },
              {
                ...{ measured: headM, allowed: limit('headRoomM'), unit: 'm' },
              },
            ),
          );
        const { steps, stepM, runM, needsGuard, needsHandrail } = built.value;
        const words = { ...about, count: steps - 1, stepM, runM };
        if (steps > 1 && !stepsBeside(project, room, feature))
          found.push(
            say('look', 'riser-no-steps', subjects, words, {
              ...{
                measured: riseM,
                allowed: stepM,
                unit: 'm',
                cures: (house) => withSteps(house, room, feature.id, stepM, runM),
              },
            }),
          );
        if (needsGuard || needsHandrail)
          found.push(say('look', needsGuard ? 'riser-needs-guard' : 'riser-needs-rail', subjects, about));
        return found;
      }),
    ),
});

const stepsBeside = (project: ProjectDocument, { levelId, polygon }: Room, row: Feature): boolean =>
  onLevel(project, 'features', levelId).some(
    ({ kind, points: [p] }) =>
      kind === 'steps' &&
      pointInPolygon(p as Point2, polygon as readonly Point2[]) &&
      Math.hypot(p[0] - row.points[0][0], p[1] - row.points[0][1]) <= row.widthM / 2 + row.depthM / 2 + BESIDE_M,
  );

/** Steps at the one end of a row, else at the other, where they stand in the room. */
function withSteps(project: ProjectDocument, room: Room, rowId: string, stepM: number, runM: number): Cure[] {
  const row = project.features[rowId];
  if (!row) return [];
  const id = `steps_${rowId}`.slice(0, 40);
  if (project.features[id]) return [];
  const [ux, uy] = [Math.cos(row.facingRad), Math.sin(row.facingRad)];
  const at = [1, -1]
    .map((side): Point2 => {
      const offM = side * (row.widthM / 2 + 0.45);
      return [row.points[0][0] + ux * offM, row.points[0][1] + uy * offM];
    })
    .find((p) => pointInPolygon(p, room.polygon as readonly Point2[]));
  if (!at) return [];
  const steps = newFeature({
    ...{ id, levelId: room.levelId, kind: 'steps', points: [[at[0], at[1]]], facingRad: row.facingRad },
    ...{ widthM: 0.9, depthM: runM, bottomM: room.floorM, topM: room.floorM + stepM },
  });
  return [{ code: 'add-steps', figures: {}, operations: [create('features', steps)] }];
}
