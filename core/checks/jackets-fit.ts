import { distance3 } from '../geometry/index.ts';
import { listOf, update, type CableType, type Medium, type ProjectDocument } from '../project/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { defineCheck, type Cure, type Finding } from './check.ts';

/** Ways in the weather or the ground (ENGINEERING 1.3). */
const WEATHER: ReadonlySet<Medium> = new Set(['outside', 'underground', 'soffit']);
/** Outdoor cable that is not listed for inside may go this far in from where it enters, m (ENGINEERING 1.3). */
const INSIDE_M = 15;

/** The jacket of a cable may lie where its way leads it: weather, ground, shafts between floors (ENGINEERING 1.3). */
export const jacketsFit = defineCheck({
  id: 'jackets-fit',
  title: 'Every cable has a jacket for the ways that it lies in',
  source: 'ENGINEERING 1.3; NEC 722, 800 and EN 50575 direction',
  severity: 'look',
  appliesTo: 'runs',
  run: ({ document, runs }) => runs.flatMap((planned) => findingOf(document, planned) ?? []),
});

function findingOf(document: ProjectDocument, { run, points, media }: PlannedRun): Finding | null {
  const cable = document.cableTypes[run.cableTypeId];
  const say = (code: string, measured: number | null, allowed: number | null, cures: readonly Cure[], figures = {}): Finding => ({
    check: 'jackets-fit',
    rank: 'look',
    code,
    subjects: [{ in: 'runs', id: run.id }],
    measured,
    allowed,
    unit: measured === null ? '' : 'm',
    figures: { number: run.number, cable: cable.name, ...figures },
    cures,
  });
  if (cable.rating !== 'outdoor' && media.some((medium) => WEATHER.has(medium)))
    return say('jacket-not-outdoor', null, null, instead(document, run.id, cable, 'outdoor'));
  if (cable.rating === 'limited' && media.includes('riser'))
    return say('jacket-not-riser', null, null, instead(document, run.id, cable, 'riser'));
  if (cable.rating !== 'outdoor') return null;
  const insideM = media.reduce((sum, medium, k) => (WEATHER.has(medium) ? sum : sum + distance3(points[k], points[k + 1])), 0);
  return insideM > INSIDE_M ? say('jacket-outdoor-inside', insideM, INSIDE_M, [], { insideM, mostM: INSIDE_M }) : null;
}

/** Cables of the same family with the jacket that is wanted. */
const instead = (document: ProjectDocument, runId: string, cable: CableType, rating: CableType['rating']): Cure[] =>
  listOf(document, 'cableTypes')
    .filter((other) => other.family === cable.family && other.rating === rating && other.gaugeAwg === cable.gaugeAwg)
    .slice(0, 1)
    .flatMap(({ id, name }) => {
      const operation = update('runs', document.runs[runId], { cableTypeId: id });
      return operation ? [{ code: 'use-cable', figures: { name }, operations: [operation] }] : [];
    });
