import { update } from '../model/index.ts';
import { movedFromSigned, floorConduits, SIGNED_WITHIN_M } from '../pathways/index.ts';
import { defineCheck, type Rank, type RuleFinding, say } from './check.ts';

/** ENGINEERING 6: keep this from reinforcement; as little is wanted over and under a conduit in the floor topping, m. */
const MIN_COVER_M = 0.025;

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
    floorConduits(project).flatMap(({ feature, coverM, crossings, sign }) => {
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
