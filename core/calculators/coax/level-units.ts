import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { DBMV_OVER_DBM } from './dbm.ts';

export const levelUnits = calculator({
  name: 'level-units',
  title: 'Levels in dBµV, dBmV and dBm at 75 ohm',
  topic: 'coax',
  source: 'Definition of the units at 75 Ω',
  valid: '75 ohm',
  formulas: ['dBµV = dBmV + 60', `dBm = dBmV − ${DBMV_OVER_DBM}`],
  input: z.strictObject({ level: z.number(), unit: z.enum(['dBuV', 'dBmV', 'dBm']) }),
  example: { level: 60, unit: 'dBuV' },
  run: ({ level, unit }) => {
    const dbmv = unit === 'dBuV' ? level - 60 : unit === 'dBm' ? level + DBMV_OVER_DBM : level;
    if (Math.abs(dbmv) > 300)
      return err('out-of-domain', { kind: 'out_of_domain', field: 'level', value: level, least: -300, most: 300 });
    return ok({ dbuv: dbmv + 60, dbmv, dbm: dbmv - DBMV_OVER_DBM });
  },
  steps: ({ level, unit }, v) => [
    `${fig(level)} ${unit.replace('u', 'µ')} = ${fig(v.dbmv)} dBmV`,
    `${fig(v.dbmv)} + 60 = ${fig(v.dbuv)} dBµV; ${fig(v.dbmv)} − ${DBMV_OVER_DBM} = ${fig(v.dbm)} dBm`,
  ],
});
