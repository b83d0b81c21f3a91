import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';
import { judgeMaterial, wireResistanceInput } from '../wire/index.ts';
import { loopOhmOf } from './dc-feeds.ts';

/** Greatest load of a class 2 output by practice, W: under 100 VA and under the currents of its tables. */
const CAP_W = (volts: number) => (volts <= 12 ? 60 : 96);

export const ledFeed = calculator({
  name: 'led-feed',
  title: 'Supply of strip light',
  topic: 'power',
  source: 'Circuit theory; 1.2 by trade practice; class 2 of NEC chapter 9',
  formulaIds: ['F3.10'],
  valid: 'strip of 12 or 24 V, constant voltage',
  formulas: ['I = W/m · L/V · 1.02', 'supply ≥ 1.2 · load', 'outputs = ⌈load/cap⌉'],
  cautions: ['C19'],
  input: z.strictObject({
    wattsPerM: z.number().gt(0).max(100).describe('W/m'),
    lengthM: z.number().min(0).describe('m, of strip'),
    supplyV: z.number().gt(0).max(60).default(24).describe('V'),
    controller: z.boolean().default(true).describe('adds 2 % for the controller'),
    capW: z.number().gt(0).nullable().default(null).describe('W of each output; null takes 96 W at 24 V, 60 W at 12 V'),
  }),
  run: ({ wattsPerM, lengthM, supplyV, controller, capW }) => {
    const loadW = wattsPerM * lengthM;
    const cap = capW ?? CAP_W(supplyV);
    return fine({
      loadW,
      currentA: (loadW / supplyV) * (controller ? 1.02 : 1),
      supplyW: 1.2 * loadW,
      capW: cap,
      outputs: countUp(loadW / cap),
    });
  },
  steps: (i, v) => [
    `${fig(i.wattsPerM)} · ${fig(i.lengthM)} = ${fig(v.loadW)} W`,
    `I = ${fig(v.currentA)} A; supply ${fig(v.supplyW)} W`,
    `⌈${fig(v.loadW)}/${fig(v.capW)}⌉ = ${v.outputs} outputs`,
  ],
});

export const ledStrip = calculator({
  name: 'led-strip',
  title: 'Drop along a strip',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.11'],
  valid: 'uniform load; the maker’s longest run overrides',
  formulas: ["one end: ΔV = 0.5·i'·r'·L²", 'both ends or the middle: a quarter of it'],
  cautions: ['C19'],
  input: z.strictObject({
    ampsPerM: z.number().min(0).describe('A/m'),
    stripOhmPerM: z.number().min(0).describe('ohm/m, both ways in the copper of the strip'),
    lengthM: z.number().min(0).describe('m'),
    fed: z.enum(['one-end', 'both-ends', 'middle']).default('one-end'),
    supplyV: z.number().gt(0).max(60).default(24).describe('V'),
  }),
  run: ({ ampsPerM, stripOhmPerM, lengthM, fed, supplyV }) => {
    const oneEndV = 0.5 * ampsPerM * stripOhmPerM * lengthM ** 2;
    const dropV = fed === 'one-end' ? oneEndV : oneEndV / 4;
    return fine({ oneEndV, dropV, dropFraction: dropV / supplyV, ok: atMost(dropV / supplyV, 0.05) });
  },
  steps: (i, v) => [
    `0.5 · ${fig(i.ampsPerM)} · ${fig(i.stripOhmPerM)} · ${fig(i.lengthM)}² = ${fig(v.oneEndV)} V`,
    `${fig(v.dropV)} V, ${fig(v.dropFraction * 100)} %`,
  ],
});

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
  run: ({ lengthM, channelsA, conductorsPerChannel, commonConductors, cableConductors, supplyV, ...wire }) => {
    const used = channelsA.length * conductorsPerChannel + commonConductors;
    const loop = loopOhmOf(wire, lengthM, 1);
    if (!loop.ok) return loop;
    const metal = judgeMaterial(wire.material, 'lighting');
    if (!metal.ok) return metal;
    if (used > cableConductors)
      return refuse('conductors-not-enough', { kind: 'infeasible', field: 'cableConductors', used, has: cableConductors });
    const oneWayOhm = loop.value.loopOhm / 2;
    const commonV = (channelsA.reduce((sum, a) => sum + a, 0) * oneWayOhm) / commonConductors;
    const channelsV = channelsA.map((a) => (a * oneWayOhm) / conductorsPerChannel + commonV);
    const worstV = Math.max(...channelsV);
    return fine({
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

export const classTwo = calculator({
  name: 'class-two-source',
  title: 'Limits of a class 2 output',
  topic: 'power',
  source: 'NEC chapter 9, tables 11',
  valid: 'direct current to 60 V',
  formulas: ['to 20 V: 5 A', '20 to 60 V: 100 VA/V'],
  input: z.strictObject({ volts: z.number().gt(0).describe('V'), loadA: z.number().min(0).default(0).describe('A') }),
  run: ({ volts, loadA }) => {
    if (volts > 60) return refuse('out-of-domain', { kind: 'out_of_domain', field: 'volts', value: volts, least: 0, most: 60 });
    const mostA = volts <= 20 ? 5 : 100 / volts;
    if (!atMost(loadA, mostA)) return refuse('class-two-over', { kind: 'prohibited', field: 'loadA', loadA, mostA });
    return fine({ mostA, mostVa: Math.min(100, mostA * volts), ok: true });
  },
  steps: (_, v) => [`${fig(v.mostA)} A at most`],
});
