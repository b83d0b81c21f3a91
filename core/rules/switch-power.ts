import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

/** A switch feeds no more than eight tenths of its budget, each device by a port of its class (ENGINEERING 3.2). */
export const switchPower = defineCheck({
  id: 'switch-power',
  title: 'Switches feed what hangs on them',
  source: 'IEEE 802.3; eight tenths by trade practice',
  calculators: ['poe-budget'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] =>
      headEnd.poe.flatMap(({ equipmentId, needW, budgetW, plannedMostW, weakRunIds }) => {
        const about = { rack: headEnd.rack.name, equipment: equipmentName(headEnd, equipmentId), needW, budgetW, plannedMostW };
        const found: RuleFinding[] = weakRunIds.map((runId) =>
          say('stop', 'switch-port-weak', [{ in: 'runs', id: runId }, ...ofEquipment(equipmentId)], about),
        );
        if (needW > budgetW * (1 + 1e-9))
          found.push(
            say('stop', 'switch-power-over', ofEquipment(equipmentId), about, { measured: needW, allowed: budgetW, unit: 'W' }),
          );
        else if (needW > plannedMostW * (1 + 1e-9))
          found.push(
            say('look', 'switch-power-near', ofEquipment(equipmentId), about, {
              measured: needW,
              allowed: plannedMostW,
              unit: 'W',
            }),
          );
        return found;
      }),
    ),
});
