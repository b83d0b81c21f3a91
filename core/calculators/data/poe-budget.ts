import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { classOf, POE_CLASSES } from './poe.ts';

/** Share of the power of a switch that is planned with; the rest is spare. */
export const POE_PLANNED_SHARE = 0.8;

export const poeBudget = calculator({
  name: 'poe-budget',
  title: 'Power budget of a switch',
  topic: 'data',
  source: 'Arithmetic; 0.8 and 25 % spare ports by trade practice',
  formulaIds: ['F3.5'],
  valid: 'class watts at the source where nothing is measured',
  formulas: ['need = Σ W at the source', 'need ≤ 0.8 · budget', 'ports = ⌈1.25 · devices⌉'],
  input: z.strictObject({
    classes: z.array(classOf).max(500).default([]).describe('class of each device that is not measured'),
    measuredW: z.array(z.number().min(0)).max(500).default([]).describe('W at the source of each measured device'),
    budgetW: z.number().gt(0).describe('W, of the switch'),
    ports: z.int().min(0).nullable().default(null).describe('ports of the switch'),
  }),
  example: { classes: [3, 4], budgetW: 120 },
  run: ({ classes, measuredW, budgetW, ports }) => {
    const needW = classes.reduce((sum, one) => sum + POE_CLASSES[one].sourceW, 0) + measuredW.reduce((sum, w) => sum + w, 0);
    const wantedPorts = countUp((classes.length + measuredW.length) * 1.25);
    if (!atMost(needW, budgetW)) return err('poe-budget-over', { kind: 'infeasible', field: 'budgetW', needW, budgetW });
    return ok({
      needW,
      plannedMostW: POE_PLANNED_SHARE * budgetW,
      leftW: budgetW - needW,
      wantedPorts,
      ok: atMost(needW, POE_PLANNED_SHARE * budgetW) && (ports === null || ports >= wantedPorts),
    });
  },
  steps: (i, v) => [`${fig(v.needW)} W of ${fig(i.budgetW)} W, planned to ${fig(v.plannedMostW)} W`, `${v.wantedPorts} ports`],
});
