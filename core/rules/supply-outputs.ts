import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

/** Each output of a supply feeds no more than it is made for (ENGINEERING 3.3, 14). */
export const supplyOutputs = defineCheck({
  id: 'supply-outputs',
  title: 'Supplies bear what they feed',
  source: 'Class 2: 100 VA an output',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] =>
      headEnd.supplies.flatMap(({ equipmentId, wattsEach, feeds }) =>
        feeds
          .filter(({ isOver }) => isOver)
          .map(({ port, runId, watts }) =>
            say(
              'stop',
              'supply-output-over',
              [{ in: 'runs', id: runId }, ...ofEquipment(equipmentId)],
              { rack: headEnd.rack.name, equipment: equipmentName(headEnd, equipmentId), port, watts, wattsEach },
              { measured: watts, allowed: wattsEach, unit: 'W' },
            ),
          ),
      ),
    ),
});
