import { distance3 } from '../geometry/index.ts';
import { listOf, update, type CableType, type Medium, type ProjectDocument } from '../project/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { defineCheck, say, type Cure, type FindingDraft } from './check.ts';

/** Ways in the weather or the ground (ENGINEERING 1.3). */
const WEATHER: ReadonlySet<Medium> = new Set(['outside', 'underground', 'soffit']);
/** Outdoor cable that is not listed for inside may go this far in from where it enters, m (ENGINEERING 1.3). */
const INSIDE_M = 15;

/** The jacket of a cable may lie where its way leads it: weather, ground, shafts between floors (ENGINEERING 1.3). */
export const jacketsFit = defineCheck({
  id: 'jackets-fit',
  stage: 'cabling',
  title: 'Every cable has a jacket for the ways that it lies in',
  source: 'NEC 722, 800 and EN 50575 direction',
  severity: 'look',
  appliesTo: 'runs',
  limits: { insideM: { usual: INSIDE_M, least: 5, most: 15, unit: 'm', safer: 'less' } },
  ofRun: (planned, { document, limit }) => {
    const found = findingOf(document, planned, limit('insideM'));
    return found ? [found] : [];
  },
});

function findingOf(document: ProjectDocument, { run, points, media }: PlannedRun, mostM: number): FindingDraft | null {
  const cable = document.cableTypes[run.cableTypeId];
  const told = (
    code: string,
    measured: number | null,
    allowed: number | null,
    rating: CableType['rating'] | null,
    figures = {},
  ) =>
    say(
      'jackets-fit',
      'look',
      code,
      [{ in: 'runs', id: run.id }],
      { number: run.number, cable: cable.name, ...figures },
      {
        measured,
        allowed,
        unit: measured === null ? '' : 'm',
        cures: (house) => (rating === null ? [] : instead(house, run.id, cable, rating)),
      },
    );
  if (cable.rating !== 'outdoor' && media.some((medium) => WEATHER.has(medium)))
    return told('jacket-not-outdoor', null, null, 'outdoor');
  if (cable.rating === 'limited' && media.includes('riser')) return told('jacket-not-riser', null, null, 'riser');
  if (cable.rating !== 'outdoor') return null;
  const insideM = media.reduce((sum, medium, k) => (WEATHER.has(medium) ? sum : sum + distance3(points[k], points[k + 1])), 0);
  return insideM > mostM ? told('jacket-outdoor-inside', insideM, mostM, null, { insideM, mostM }) : null;
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
