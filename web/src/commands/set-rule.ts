import { settingsOf } from '@dusky-spool/core/rules';
import { create, type Operation, type ProjectDocument, remove, type RuleSetting } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/** How a rule may be set: off, at another rank, with other limits, with the reason. */
export type Setting = Pick<RuleSetting, 'off' | 'rank' | 'limits' | 'reason'>;
export const USUAL_SETTING: Setting = { off: false, rank: null, limits: {}, reason: '' };

const isUsual = ({ off, rank, limits, reason }: Setting): boolean =>
  !off && rank === null && Object.keys(limits).length === 0 && reason === '';

/** Sets a rule of the project; one that is as usual has no record. */
export function setRule(
  project: ProjectDocument,
  {
    id,
    ruleId,
    setting,
    by,
    on,
  }: {
    readonly id: string;
    readonly ruleId: string;
    readonly setting: Setting;
    readonly by: string;
    readonly on: string;
  },
): Operation[] {
  const known = settingsOf(project).get(ruleId);
  if (isUsual(setting)) return known ? [remove('ruleSettings', known)] : [];
  if (known) return changeRecord('ruleSettings', known, { ...setting, by, on });
  return [create('ruleSettings', { id, ruleId, by, on, ...setting })];
}
