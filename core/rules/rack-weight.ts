import { isRackMounted } from '../head-end/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { HEAD_END_NODES, inHeadEnds, ofEquipment, ofRack } from './head-end-subjects.ts';

const LIMITS = {
  highKg: { usual: 10, min: 5, max: 40, unit: 'kg', safer: 'less' },
  loadKg: { usual: 250, min: 50, max: 1000, unit: 'kg', safer: 'less' },
} as const;

/** What is heavy stands low, and a rack bears what is in it (ENGINEERING 15.1). */
export const rackWeight = defineCheck({
  id: 'rack-weight',
  title: 'Racks carry their weight, the heavy low',
  source: 'Trade practice',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  limits: LIMITS,
  run: ({ read, limit }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] => {
      const { rack, equipment, weightKg } = headEnd;
      if (!isRackMounted(rack)) return [];
      const about = { rack: rack.name, number: rack.code };
      const found: RuleFinding[] = equipment
        .filter((one) => one.weightKg > limit('highKg') && one.atUnit !== null && one.atUnit > rack.units / 2)
        .map((one) =>
          say(
            'look',
            'heavy-high',
            ofEquipment(one.id),
            { ...about, equipment: one.name, kg: one.weightKg, unit: one.atUnit },
            { measured: one.weightKg, allowed: limit('highKg'), unit: 'kg' },
          ),
        );
      if (weightKg > limit('loadKg') * (1 + 1e-9))
        found.push(
          say(
            'look',
            'rack-heavy',
            ofRack(headEnd),
            { ...about, kg: weightKg, mostKg: limit('loadKg') },
            { measured: weightKg, allowed: limit('loadKg'), unit: 'kg' },
          ),
        );
      return found;
    }),
});
