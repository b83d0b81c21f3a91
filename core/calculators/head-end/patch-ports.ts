import { z } from 'zod';
import { calculator, countUp } from '../calculator.ts';
import { ok, RACK_UNIT_M } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const patchPorts = calculator({
  name: 'patch-ports',
  title: 'Patch positions and rack units',
  topic: 'head-end',
  source: 'IEC 60297',
  formulaIds: ['F15.1', 'F15.2'],
  valid: 'patch panels of 24',
  formulas: ['ports = ⌈1.25·runs⌉', 'panels = ⌈ports/24⌉', 'U = ⌈(height + 6 mm)/44.45 mm⌉'],
  input: z.strictObject({
    runs: z.int().min(0).max(5000),
    looseHeightsM: z.array(positive).max(100).default([]).describe('m, devices on shelves with their feet'),
  }),
  example: { runs: 40 },
  run: ({ runs, looseHeightsM }) => {
    const ports = countUp(runs * 1.25);
    return ok({
      ports,
      boards: Math.ceil(ports / 24),
      looseUnits: looseHeightsM.map((h) => countUp((h + 0.006) / RACK_UNIT_M)),
    });
  },
  steps: (_, v) => [`${v.ports} ports, ${v.boards} patch panels`],
});
