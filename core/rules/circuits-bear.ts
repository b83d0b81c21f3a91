import { fedBy } from '../head-end/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

/** Circuits, strips and outlets bear what hangs on them; loads that run for hours take eight tenths (ENGINEERING 15.3). */
export const circuitsBear = defineCheck({
  id: 'circuits-bear',
  title: 'Circuits and strips bear their load',
  source: 'NEC 210.20; eight tenths elsewhere by trade practice',
  calculators: ['circuit-load'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'circuits',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd, parts): RuleFinding[] => {
      const { power, equipment } = headEnd;
      const about = { rack: headEnd.rack.name, number: headEnd.rack.code };
      const over = power.circuits
        .filter(({ isOver }) => isOver)
        .map(({ circuit, va, mostVa }) =>
          say(
            'stop',
            'circuit-over',
            [{ in: 'circuits', id: circuit.id }],
            { ...about, circuit: circuit.name, va: Math.round(va), mostVa: Math.round(mostVa) },
            { measured: va, allowed: mostVa, unit: 'VA' },
          ),
        );
      const outlets = power.feeds
        .filter(({ plugs, outlets: there }) => plugs > there)
        .map(({ equipmentId, plugs, outlets: there }) =>
          say(
            'stop',
            'strip-outlets-short',
            ofEquipment(equipmentId),
            { ...about, equipment: equipmentName(headEnd, equipmentId), plugs, there },
            { measured: plugs, allowed: there },
          ),
        );
      const onBattery = equipment
        .filter(({ ups }) => ups !== null)
        .flatMap(({ id }) => fedBy(id, parts.equipment))
        .filter(({ kind }) => kind === 'amplifier' || kind === 'receiver')
        .map((one) => say('look', 'amplifier-on-ups', ofEquipment(one.id), { ...about, equipment: one.name }));
      return [...over, ...outlets, ...onBattery];
    }),
});
