import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

const LIMITS = { minutes: { usual: 10, min: 1, max: 120, unit: 'min', safer: 'more' } } as const;

/** A UPS carries a quarter more than its load, and holds until a shutdown is done (ENGINEERING 15.3). */
export const upsHolds = defineCheck({
  id: 'ups-holds',
  title: 'UPS carry their load long enough',
  source: 'Trade practice: a quarter over, 10 to 30 min',
  calculators: ['ups-time', 'ups-shedding'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  limits: LIMITS,
  run: ({ read, limit }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] =>
      headEnd.power.ups.flatMap(({ equipmentId, loadW, ratedW, isOver, minutes }) => {
        const about = {
          rack: headEnd.rack.name,
          equipment: equipmentName(headEnd, equipmentId),
          loadW: Math.round(loadW),
          ratedW,
        };
        if (isOver)
          return [
            say('stop', 'ups-over', ofEquipment(equipmentId), about, { measured: loadW, allowed: ratedW / 1.25, unit: 'W' }),
          ];
        if (minutes !== null && minutes < limit('minutes') * (1 - 1e-9))
          return [
            say(
              'look',
              'ups-short',
              ofEquipment(equipmentId),
              { ...about, holds: Math.round(minutes), least: limit('minutes') },
              { measured: minutes, allowed: limit('minutes'), unit: 'min' },
            ),
          ];
        return [];
      }),
    ),
});
