import { BUILDING, buildingOf } from '../house/index.ts';
import { type TightBend, tightBends } from '../routing/index.ts';
import { type CableType, isConduit, type ProjectDocument, type Run, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { isKept } from '../runs/index.ts';
import { type Cure, defineCheck, say } from './check.ts';

/** Families of cable whose radius stands in a standard: nearer than that is a fault, for all others it is to be judged. */
const BY_STANDARD = /^(cat|fibre)/;

/** No cable is bent closer than it may be where its route turns in little room. */
export const bendsFit = defineCheck({
  id: 'bends-fit',
  title: 'Cable has room for its bends',
  source: 'ANSI/TIA-568, EN 50174-2, else trade practice',
  calculators: ['bend-radius'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes'],
  nodes: [BUILDING],
  ofRun: ({ run, points, media }, { project }) => {
    const cable = project.cableTypes[run.cableTypeId];
    // A conduit ends above its box and turns in fittings.
    if (isConduit(cable)) return [];
    const tight = tightBends(buildingOf(project), points, media).filter(({ roomM }) => roomM < cable.bendRadiusM * (1 - 1e-9));
    if (tight.length === 0) return [];
    const worst = tight.reduce((a, b) => (b.roomM < a.roomM ? b : a));
    return [
      say(
        BY_STANDARD.test(cable.family) ? 'stop' : 'look',
        `bend-${worst.where}`,
        [{ in: 'runs', id: run.id }, ...(worst.wallId === null ? [] : [{ in: 'walls' as const, id: worst.wallId }])],
        { number: run.number, cable: cable.name, needM: cable.bendRadiusM, freeM: worst.roomM },
        { measured: worst.roomM, allowed: cable.bendRadiusM, unit: 'm', cures: (house) => limber(house, run, worst) },
      ),
    ];
  },
});

/** Cables for the same use that bend into the room that is there. */
function limber(project: ProjectDocument, run: Run, { roomM }: TightBend): Cure[] {
  if (isKept(run)) return [];
  const own = project.cableTypes[run.cableTypeId];
  const instead = listOf(project, 'cableTypes')
    .filter((other) => other.id !== own.id && isForTheSame(own, other) && other.bendRadiusM <= roomM)
    .sort((a, b) => b.bendRadiusM - a.bendRadiusM)[0];
  const operation = instead && update('runs', run, { cableTypeId: instead.id });
  return operation ? [{ code: 'use-cable', figures: { name: instead.name }, operations: [operation] }] : [];
}

/** A lead of fibre takes the place of one of copper for pictures; all others stay with what they are made of. */
const isForTheSame = (own: CableType, other: CableType): boolean =>
  own.system === other.system &&
  other.rating === own.rating &&
  (own.system === 'picture' ||
    (own.family === other.family && other.material === own.material && other.conductors >= own.conductors));
