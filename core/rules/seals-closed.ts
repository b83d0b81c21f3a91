import { BUILDING, FRAMING } from '../house/index.ts';
import { PLANNED_RUNS } from '../runs/index.ts';
import { holeSchedule, type Penetration, penetrationsOf } from '../pathways/index.ts';
import { daysBetween, gateDate, type ProjectDocument } from '../model/index.ts';
import { numbersOf } from './beside.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** No pierced separation is open when the drywall goes on (practice B15): each penetration is told, with its runs and its wall or riser. */
export const sealsClosed = defineCheck({
  id: 'seals-closed',
  title: 'Every pierced separation is sealed before drywall',
  source: 'IRC R302.11; ASTM E814, EN 1366-3; trade practice',
  severity: 'stop',
  stage: 'closing',
  appliesTo: 'seals',
  reads: ['rooms', 'cableTypes', 'levels', 'project', 'risers', 'runs', 'seals', 'tradeDates', 'walls'],
  day: true,
  nodes: [FRAMING, BUILDING, PLANNED_RUNS],
  safety: true,
  limits: { daysBefore: { usual: 3, min: 0, max: 30, unit: 'days', safer: 'more' } },
  run: ({ project, runs, today, limit }) => {
    const on = gateDate(project, 'board');
    if (on === '' || daysBetween(today, on) > limit('daysBefore')) return [];
    const ids = new Map(runs.map(({ run }) => [run.number, run.id]));
    return penetrationsOf(project, holeSchedule(project, runs))
      .filter(({ seal }) => (seal?.state ?? 'open') === 'open')
      .map((pierced) => openSeal(project, pierced, ids, on));
  },
});

function openSeal(
  project: ProjectDocument,
  { member, at, levelId, wallId, runs, kind, assembly, family }: Penetration,
  ids: ReadonlyMap<string, string>,
  on: string,
): RuleFinding {
  const riser = wallId === null ? riserAt(project, at) : undefined;
  return say(
    'stop',
    'seal-open',
    [
      ...(wallId === null ? [] : [{ in: 'walls' as const, id: wallId }]),
      ...(riser ? [{ in: 'risers' as const, id: riser.id }] : []),
      { in: 'levels', id: levelId },
      ...runs.flatMap((number) => (ids.has(number) ? [{ in: 'runs' as const, id: ids.get(number)! }] : [])),
    ],
    {
      number: project.levels[levelId].code,
      level: project.levels[levelId].name,
      member,
      through: riser ? riser.name : assembly,
      runs: numbersOf(runs),
      seal: kind,
      family,
      on,
      at: at.slice(0, 2),
    },
    { measured: 0, allowed: 1 },
  );
}

/** The riser in which a place lies. */
const riserAt = ({ risers }: ProjectDocument, [x, y]: readonly number[]) =>
  Object.values(risers).find(
    (riser) => Math.abs(riser.x - x) <= riser.widthM / 2 + 0.05 && Math.abs(riser.y - y) <= riser.depthM / 2 + 0.05,
  );
