import { type ProjectDocument, update } from '../model/index.ts';
import { ROW_CLEARANCE_M, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, say } from './check.ts';
import { inTheatres, rowFeatures } from './theatre-subjects.ts';

const LIMITS = { clearanceM: { usual: ROW_CLEARANCE_M, min: 0.06, max: 0.2, unit: 'm', safer: 'more' } } as const;
/** A rounded riser may be short by this, m. */
const ROUNDED_M = 0.0005;

/** Every row sees the whole picture over the heads before it (ENGINEERING 9.3). */
export const rowsSee = defineCheck({
  id: 'rows-see',
  title: 'Rows see over the heads before them',
  source: 'Geometry of sight lines; clearance by trade practice',
  calculators: ['row-sight', 'row-risers'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'features',
  reads: ['features', 'rooms'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room) =>
      [...new Set(theatre.seats.map(({ row }) => row))].flatMap((row) => {
        const { clearanceM, neededRiseM } = theatre.seats.find((seat) => seat.row === row)!;
        if (clearanceM === null || neededRiseM === null || clearanceM + ROUNDED_M >= limit('clearanceM')) return [];
        const features = rowFeatures(theatre, row);
        return [
          say(
            'look',
            clearanceM < 0 ? 'row-sees-heads' : 'row-clears-little',
            [...features.map((id) => ({ in: 'features' as const, id })), { in: 'rooms', id: room.id }],
            { number: room.code, row, clearanceM: Math.abs(clearanceM), leastM: limit('clearanceM'), riseM: neededRiseM },
            {
              ...{ measured: clearanceM, allowed: limit('clearanceM'), unit: 'm' },
              cures: (house) => raised(house, features, neededRiseM),
            },
          ),
        ];
      }),
    ),
});

/** Puts the furniture of a row on a riser of a height. */
function raised(project: ProjectDocument, featureIds: readonly string[], riseM: number): Cure[] {
  const operations = featureIds.flatMap((id) => {
    const feature = project.features[id];
    if (!feature) return [];
    return update('features', feature, { bottomM: riseM, topM: feature.topM - feature.bottomM + riseM }) ?? [];
  });
  return operations.length > 0 ? [{ code: 'raise-row', figures: { riseM }, operations }] : [];
}
