import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { judgeMaterial, wireResistanceInput } from '../wire/index.ts';
import { loopOhmOf } from './dc-feed.ts';

export const ledChannels = calculator({
  name: 'led-channels',
  title: 'Coloured strip on one cable with a common',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.12'],
  valid: 'common anode; every channel at full',
  formulas: ['channel: Ic·r·L/nc', 'common: ΣIc·r·L/ncommon', 'drop of a channel is both'],
  cautions: ['C19'],
  input: wireResistanceInput.extend({
    lengthM: z.number().min(0).describe('m, one way'),
    channelsA: z.array(z.number().min(0)).min(1).max(8).describe('A of each channel'),
    conductorsPerChannel: z.int().min(1).max(4).default(1).describe('conductors of each return'),
    commonConductors: z.int().min(1).max(6).default(1).describe('conductors bonded for the common'),
    cableConductors: z.int().min(2).max(20).default(6).describe('conductors of the cable'),
    supplyV: z.number().gt(0).max(60).default(24).describe('V'),
  }),
  example: { gaugeAwg: 16, lengthM: 5, channelsA: [1, 1, 1, 1], commonConductors: 2 },
  from: { lengthM: 'cutLengthM' },
  run: ({ lengthM, channelsA, conductorsPerChannel, commonConductors, cableConductors, supplyV, ...wire }) => {
    const used = channelsA.length * conductorsPerChannel + commonConductors;
    const loop = loopOhmOf(wire, lengthM, 1);
    if (!loop.ok) return loop;
    const metal = judgeMaterial(wire.material, 'lighting');
    if (!metal.ok) return metal;
    if (used > cableConductors)
      return err('conductors-not-enough', { kind: 'infeasible', field: 'cableConductors', used, has: cableConductors });
    const oneWayOhm = loop.value.loopOhm / 2;
    const commonV = (channelsA.reduce((sum, a) => sum + a, 0) * oneWayOhm) / commonConductors;
    const channelsV = channelsA.map((a) => (a * oneWayOhm) / conductorsPerChannel + commonV);
    const worstV = Math.max(...channelsV);
    return ok({
      commonV,
      channelsV,
      worstV,
      dropFraction: worstV / supplyV,
      conductorsUsed: used,
      ok: atMost(worstV / supplyV, 0.03),
    });
  },
  steps: (_, v) => [`common ${fig(v.commonV)} V`, `channels ${v.channelsV.map((one) => `${fig(one)} V`).join(', ')}`],
});
