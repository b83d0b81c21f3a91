import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

/** No channel of an amplifier has a load below its least (ENGINEERING 2.1). */
export const amplifierLoad = defineCheck({
  id: 'amplifier-load',
  title: 'Amplifiers carry their loads',
  source: 'Physics: ohms in parallel; the least load of the amplifier',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] =>
      headEnd.amplifiers
        .filter(({ isLow }) => isLow)
        .map(({ equipmentId, port, runId, loadOhm, leastOhm }) =>
          say(
            'stop',
            'channel-load-low',
            [{ in: 'runs', id: runId }, ...ofEquipment(equipmentId)],
            { rack: headEnd.rack.name, equipment: equipmentName(headEnd, equipmentId), port, loadOhm, leastOhm },
            { measured: loadOhm, allowed: leastOhm, unit: 'ohm' },
          ),
        ),
    ),
});
