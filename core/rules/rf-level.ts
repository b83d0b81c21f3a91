import { WINDOWS } from '../calculators/index.ts';
import { HEAD_END_PARTS, RF_LEVELS, type RfEnd, type RfReach } from '../head-end/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { ofEquipment } from './head-end-subjects.ts';

/** Every outlet has a level within the window of its service, and no signal runs in a circle (ENGINEERING 5.3, 5.5). */
export const rfLevel = defineCheck({
  id: 'rf-level',
  title: 'Levels on coax are within their windows',
  source: 'Windows of SCTE, ITU-T J.83, ATSC A/74 and EN 60728-1; amplifier output by EN 60728-3',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: [],
  nodes: [HEAD_END_PARTS, RF_LEVELS],
  run: ({ read }): RuleFinding[] => {
    const { equipmentById, needByRun } = read.get(HEAD_END_PARTS);
    const { reaches, loops, dark } = read.get(RF_LEVELS);
    const nameOf = (id: string) => equipmentById.get(id)?.name ?? '';
    return [
      ...loops.map((id) => say('stop', 'rf-loop', ofEquipment(id), { equipment: nameOf(id) })),
      ...reaches.flatMap((reach) => [
        ...reach.overdriven.map((id) =>
          say('stop', 'rf-overdriven', ofEquipment(id), { equipment: nameOf(id), signal: reach.source.name }),
        ),
        ...reach.ends
          .filter(({ verdict }) => verdict === 'hot' || verdict === 'cold')
          .map((end) => outOfWindow(reach, end, needByRun.get(end.runId ?? '')?.number ?? nameOf(end.equipmentId))),
      ]),
      ...dark.map((runId) => say('look', 'rf-no-signal', [{ in: 'runs', id: runId }], { number: needByRun.get(runId)!.number })),
    ];
  },
});

const fixed = (value: number): number => Number(value.toFixed(1));

function outOfWindow(
  { source }: RfReach,
  { runId, equipmentId, lowDbuv, highDbuv, verdict }: RfEnd,
  number: string,
): RuleFinding {
  const { least, most } = WINDOWS[source.service];
  const measured = verdict === 'hot' ? Math.max(lowDbuv, highDbuv) : Math.min(lowDbuv, highDbuv);
  return say(
    'stop',
    verdict === 'hot' ? 'rf-too-hot' : 'rf-too-cold',
    [...(runId ? [{ in: 'runs' as const, id: runId }] : []), ...ofEquipment(equipmentId)],
    { number, signal: source.name, level: fixed(measured), least, most },
    { measured, allowed: verdict === 'hot' ? most : least, unit: 'dBuV' },
  );
}
