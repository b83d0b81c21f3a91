import { onLevel } from '../derive/index.ts';
import { closestOnSegment, type Point2 } from '../math/index.ts';
import { type ProjectDocument, update } from '../model/index.ts';
import { movedFromSigned, floorConduits, SIGNED_WITHIN_M } from '../pathways/index.ts';
import { defineCheck, type Rank, type RuleFinding, say } from './check.ts';

/** ENGINEERING 6: keep this from reinforcement; as little is wanted over and under a conduit in the floor topping, m. */
const MIN_COVER_M = 0.025;

/** A stub comes up inside its wall: so far beside its cavity it has to be broken out, m (practice B01, A81). */
const STUB_TOLERANCE_M = 0.02;
/** A stub farther from every wall stands free on purpose, m. */
const BESIDE_WALL_M = 0.15;

/** How far a stub comes up beside the cavity of the wall near it, m; 0 within one. */
function besideCavity(project: ProjectDocument, levelId: string, at: Point2): number {
  const off = onLevel(project, 'walls', levelId)
    .filter(({ cableMayRun }) => cableMayRun)
    .map(({ a, b, cavityDepthM }) => closestOnSegment(at, a, b).distanceM - cavityDepthM / 2);
  return Math.max(0, Math.min(...off, Infinity));
}

/** Conduits in the floor topping are covered, clear of pipes and ducts, signed before the pour, and stay where they were signed (practice A81). */
export const screedSound = defineCheck({
  id: 'screed-sound',
  stage: 'closing',
  title: 'Ways in the screed are covered, clear of pipes, signed, and stay where they were signed',
  source: 'Trade practice of floor topping and slab work',
  severity: 'stop',
  appliesTo: 'features',
  reads: ['features', 'levels', 'walls', 'waySigns'],
  run: ({ project }) =>
    floorConduits(project).flatMap(({ feature, coverM, crossings, stubUps, sign }) => {
      const found: RuleFinding[] = [];
      const add = (
        code: string,
        rank: Rank,
        measured: number | null,
        allowed: number | null,
        figures = {},
        cures?: RuleFinding['cures'],
      ) =>
        found.push(
          say(
            rank,
            code,
            [{ in: 'features', id: feature.id }],
            { way: feature.name, ...figures },
            { measured, allowed, unit: measured === null ? '' : 'm', cures },
          ),
        );
      if (coverM < MIN_COVER_M - 1e-9) add('screed-cover', 'stop', coverM, MIN_COVER_M, { coverM, wantedM: MIN_COVER_M });
      for (const { featureId, gapM } of crossings)
        if (gapM < 0)
          add('screed-crossing', 'look', gapM, 0, {
            other: project.features[featureId].name || project.features[featureId].kind,
          });
      for (const { at } of stubUps) {
        const awayM = besideCavity(project, feature.levelId, at);
        if (awayM > STUB_TOLERANCE_M && awayM < BESIDE_WALL_M)
          add('stub-off', 'stop', awayM, STUB_TOLERANCE_M, { awayM, toleranceM: STUB_TOLERANCE_M });
      }
      if (!sign) add('screed-unsigned', 'look', null, null);
      else {
        const movedM = movedFromSigned(feature, sign);
        if (movedM > SIGNED_WITHIN_M) {
          const awayM = Number.isFinite(movedM) ? movedM : 0;
          const cures: RuleFinding['cures'] = ({ features }) => {
            const points = sign.points.map(([x, y]): [number, number] => [x, y]);
            const back = features[feature.id] && update('features', features[feature.id], { points });
            return back ? [{ code: 'back-as-signed', figures: {}, operations: [back] }] : [];
          };
          add('screed-moved', 'stop', awayM, SIGNED_WITHIN_M, { awayM, by: sign.by, on: sign.on }, cures);
        }
      }
      return found;
    }),
});
