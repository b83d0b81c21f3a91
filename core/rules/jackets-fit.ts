import { distance3, type Point2, pointInPolygon } from '../math/index.ts';
import { type CableType, type Feature, isConduit, isRated, type Medium, type ProjectDocument, update } from '../model/index.ts';
import { listOf, partOf, pickedFrom } from '../derive/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { type Cure, defineCheck, type Rank, type RuleFinding, say } from './check.ts';

const AIR_SPACES = partOf('spaces that move air', 'features', ({ kind, points }) => kind === 'air-space' && points.length >= 3);

/** Routes in the weather or the ground (ENGINEERING 1.3). */
const WEATHER: ReadonlySet<Medium> = new Set(['outside', 'underground', 'soffit']);
/** Outdoor cable that is not listed for inside may go this far in from where it enters, m (ENGINEERING 1.3). */
const INSIDE_M = 15;

/** The jacket of a cable may lie where its route leads it: weather, ground, shafts between floors (ENGINEERING 1.3). */
export const jacketsFit = defineCheck({
  id: 'jackets-fit',
  stage: 'cabling',
  title: 'Every cable has a jacket for the ways that it lies in',
  source: 'NEC 300.22, 400.12, 722, 800 and EN 50575 direction; national rules',
  severity: 'stop',
  safety: true,
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes', 'levels', 'project'],
  nodes: [AIR_SPACES],
  limits: { insideM: { usual: INSIDE_M, min: 5, max: 15, unit: 'm', safer: 'less' } },
  ofRun: (planned, { project, limit }) => {
    const found = findingOf(project, planned, limit('insideM'));
    return found ? [found] : [];
  },
});

/** Media in which a cable lies open in a hollow of the house: jackets of conduits and channels keep it from the air there. */
const IN_HOLLOWS: ReadonlySet<Medium> = new Set(['ceiling', 'wall', 'cavity', 'bulkhead', 'floor', 'crawl', 'chase', 'riser']);
/** Ratings with which an outdoor cable may go on through the house. */
const INSIDE = ['general', 'riser', 'plenum'] as const;
/** Where a cord may lie: in the room, to be seen. */
const IN_ROOMS: ReadonlySet<Medium> = new Set(['surface']);
/** Step along a route at which it is asked whether a space moves air, m. */
const AIR_STEP_M = 0.1;

/** How far a cable lies open in spaces that move air, m, and the first of them. */
function inAir(
  project: ProjectDocument,
  { points, media }: PlannedRun,
): { readonly lengthM: number; readonly first: Feature | null } {
  const spaces = pickedFrom(project, AIR_SPACES);
  let [lengthM, first]: [number, Feature | null] = [0, null];
  if (spaces.length === 0) return { lengthM, first };
  media.forEach((medium, k) => {
    if (!IN_HOLLOWS.has(medium)) return;
    const [a, b] = [points[k], points[k + 1]];
    const wholeM = distance3(a, b);
    const steps = Math.max(1, Math.ceil(wholeM / AIR_STEP_M));
    for (let n = 0; n < steps; n++) {
      const [x, y, z] = [0, 1, 2].map((axis) => a[axis] + ((b[axis] - a[axis]) * (n + 0.5)) / steps);
      const space = spaces.find(({ levelId, bottomM, topM, points: outline }) => {
        const floorM = project.levels[levelId].elevationM;
        return z >= floorM + bottomM - 1e-6 && z <= floorM + topM + 1e-6 && pointInPolygon([x, y], outline as Point2[]);
      });
      if (!space) continue;
      lengthM += wholeM / steps;
      first ??= space;
    }
  });
  return { lengthM, first };
}

function findingOf(project: ProjectDocument, planned: PlannedRun, maxM: number): RuleFinding | null {
  const { run, points, media } = planned;
  const cable = project.cableTypes[run.cableTypeId];
  const told = (
    code: string,
    measured: number | null,
    allowed: number | null,
    rating: CableType['rating'] | null,
    figures = {},
    rank: Rank = 'look',
    about: RuleFinding['subjects'] = [],
  ) =>
    say(
      rank,
      code,
      [{ in: 'runs', id: run.id }, ...about],
      { number: run.number, cable: cable.name, ...figures },
      {
        measured,
        allowed,
        unit: measured === null ? '' : 'm',
        cures: (house) => (rating === null ? [] : instead(house, run.id, cable, rating)),
      },
    );
  if (cable.rating === 'cord' && media.some((medium) => !IN_ROOMS.has(medium)))
    return told('jacket-cord', null, null, 'general', {}, 'stop');
  const air = isRated(cable, 'plenum') ? null : inAir(project, planned);
  if (air?.first)
    return told(
      'jacket-not-plenum',
      air.lengthM,
      0,
      'plenum',
      { lengthM: air.lengthM, space: air.first.name || 'the space that moves air' },
      project.project.jurisdiction === 'NA' ? 'stop' : 'look',
      [{ in: 'features', id: air.first.id }],
    );
  // Conduit may lie in weather and ground; its box fittings are chosen for that.
  if (isConduit(cable)) return null;
  if (!isRated(cable, 'outdoor') && media.some((medium) => WEATHER.has(medium)))
    return told('jacket-not-outdoor', null, null, 'outdoor');
  if (isRated(cable, 'limited') && !INSIDE.some((rating) => isRated(cable, rating)) && media.includes('riser'))
    return told('jacket-not-riser', null, null, 'riser');
  if (!isRated(cable, 'outdoor') || INSIDE.some((rating) => isRated(cable, rating))) return null;
  const insideM = media.reduce((sum, medium, k) => (WEATHER.has(medium) ? sum : sum + distance3(points[k], points[k + 1])), 0);
  return insideM > maxM ? told('jacket-outdoor-inside', insideM, maxM, null, { insideM, mostM: maxM }) : null;
}

/** A cable of the same family, as thick at the least, with the jacket that is wanted. */
const instead = (project: ProjectDocument, runId: string, cable: CableType, rating: CableType['rating']): Cure[] =>
  listOf(project, 'cableTypes')
    .filter(
      (other) =>
        other.family === cable.family &&
        isRated(other, rating) &&
        other.material === cable.material &&
        (other.gaugeAwg ?? 0) <= (cable.gaugeAwg ?? 0),
    )
    // The like one first, then the thinnest of those that are no thinner.
    .sort(
      (a, b) => Number(b.id.startsWith(cable.id)) - Number(a.id.startsWith(cable.id)) || (b.gaugeAwg ?? 0) - (a.gaugeAwg ?? 0),
    )
    .slice(0, 1)
    .flatMap(({ id, name }) => {
      const operation = update('runs', project.runs[runId], { cableTypeId: id });
      return operation ? [{ code: 'use-cable', figures: { name }, operations: [operation] }] : [];
    });
