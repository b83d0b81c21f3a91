import { err, ok, type Outcome } from '../math/index.ts';
import type { ProjectDocument, RuleSetting } from '../model/index.ts';
import { derivationsOf, whole } from '../derive/index.ts';
import { type Check, ORDER } from './check.ts';

export const SETTINGS = whole<ReadonlyMap<string, RuleSetting>>({
  name: 'rule settings',
  tables: ['ruleSettings'],
  make: (read) => new Map(read.rows('ruleSettings').map((setting) => [setting.ruleId, setting])),
});

/** How rules are set in a project, by rule. */
export const settingsOf = (project: Pick<ProjectDocument, 'ruleSettings'>): ReadonlyMap<string, RuleSetting> =>
  derivationsOf(project).get(SETTINGS);

/** A limit as the project has it; the usual one where nobody has set it, or set it outside its bounds. */
export const limitOf = (
  project: Pick<ProjectDocument, 'ruleSettings'>,
  check: Pick<Check, 'id' | 'limits'>,
  name: string,
): number => limitIn(settingsOf(project), check, name);

export function limitIn(settings: ReadonlyMap<string, RuleSetting>, check: Pick<Check, 'id' | 'limits'>, name: string): number {
  const limit = check.limits?.[name];
  if (!limit) throw new Error(`${check.id} has no limit ${name}`);
  const set = settings.get(check.id)?.limits[name];
  return set === undefined || set < limit.min || set > limit.max ? limit.usual : set;
}

type Setting = Pick<RuleSetting, 'off' | 'rank' | 'limits' | 'reason'>;

/** Whether a setting makes a rule say less than it does by itself. */
export const isLowered = (check: Pick<Check, 'severity' | 'limits'>, { off, rank, limits }: Omit<Setting, 'reason'>): boolean =>
  off ||
  (rank !== null && ORDER[rank] > ORDER[check.severity]) ||
  Object.entries(limits).some(([name, value]) => {
    const limit = check.limits?.[name];
    return limit !== undefined && (limit.safer === 'less' ? value > limit.usual : value < limit.usual);
  });

/**
 * Whether a rule may be set so. Problems: `rule-limit-unknown`, `rule-limit-outside` with the bounds, `rule-reason-missing` where a rule
 * that keeps people safe is lowered without saying why.
 */
export function judgeSetting(check: Check, setting: Setting): Outcome<Setting> {
  for (const [name, value] of Object.entries(setting.limits)) {
    const limit = check.limits?.[name];
    if (!limit) return err('rule-limit-unknown', { kind: 'invalid', field: name });
    if (!(value >= limit.min && value <= limit.max))
      return err('rule-limit-outside', {
        kind: 'invalid',
        field: name,
        least: limit.min,
        most: limit.max,
        unit: limit.unit,
      });
  }
  if (check.safety && isLowered(check, setting) && setting.reason.trim().length < 3)
    return err('rule-reason-missing', { kind: 'incomplete', field: 'reason', rule: check.title });
  return ok(setting);
}
