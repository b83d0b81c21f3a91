import { setRule, type Setting, USUAL_SETTING } from '../../commands/set-rule.ts';
import { useProject } from '../../state/open-project.ts';
import { type Check, CHECK_STAGES, CHECKS, isLowered, judgeSetting, settingsOf } from '@dusky-spool/core/rules';
import type { FirmRules, RuleSetting } from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import { putJson } from '../../ground/api/http.ts';
import { useSend, useServer } from '../../ground/api/server-state.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text, textNamed } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { WordsField } from '../../ui/fields.tsx';
import { SourceLink } from '../../ui/SourceLink.tsx';
import { Button, InputNumber, Select, Switch } from 'antd';
import { useState } from 'react';
import { problemSentence } from '@dusky-spool/texts';
import css from './checks.module.css';

const FIRM_RULES = '/library/rules';

/** How every rule is set in this project: on or off, its rank, its limits; and the firm's own settings. */
export function RuleTable() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const settings = settingsOf(project);
  const name = useOwnName();
  // Without a connection the firm's settings are not at hand.
  const { data } = useServer<FirmRules>(FIRM_RULES);
  const firm = data?.rules ?? null;
  const { send: sendToFirm, sentence: notStored } = useSend(
    (rules: FirmRules['rules']) => putJson<FirmRules>(FIRM_RULES, { rules }),
    [FIRM_RULES],
  );
  const [wrong, setWrong] = useState<{ readonly id: string; readonly problem: Problem } | null>(null);

  const operationsFor = ({ id: ruleId }: Check, setting: Setting) =>
    setRule(project, { id: newRecordId('rs'), ruleId, setting, by: name, on: today() });
  const write = (check: Check, next: Setting) => {
    const judged = judgeSetting(check, next);
    if (!judged.ok) return setWrong({ id: check.id, problem: judged.problem });
    setWrong(null);
    const operations = operationsFor(check, next);
    if (operations.length > 0) edit(text('checks.ruleSet', { rule: check.title }), operations);
  };
  const takeFirms = () => {
    const byRule = new Map((firm ?? []).map((one) => [one.ruleId, one]));
    const operations = CHECKS.flatMap((check) => {
      const { off, rank, limits, reason } = byRule.get(check.id) ?? USUAL_SETTING;
      return operationsFor(check, { off, rank, limits, reason });
    });
    if (operations.length > 0) edit(text('checks.takeFirms'), operations);
  };
  const keepForFirm = () => {
    const rules = [...settings.values()].map(({ ruleId, off, rank, limits, reason, by }) => ({
      ruleId,
      off,
      rank,
      limits,
      reason,
      by,
    }));
    sendToFirm(rules);
  };
  return (
    <>
      <div className={css.checkFilters}>
        <span className="faint">{text('checks.rulesCount', { count: CHECKS.length, changed: settings.size })}</span>
        <span className="grow" />
        {notStored && (
          <span className="field-problem" role="alert">
            {notStored}
          </span>
        )}
        <Button size="small" disabled={!firm} onClick={takeFirms}>
          {text('checks.takeFirms')}
        </Button>
        <Button size="small" disabled={!firm} onClick={keepForFirm}>
          {text('checks.keepForFirm')}
        </Button>
      </div>
      {CHECK_STAGES.map((part) => (
        <section key={part} aria-label={text(`checks.stages.${part}`)}>
          <h3 className="eyebrow">{text(`checks.stages.${part}`)}</h3>
          <ul className={css.ruleList}>
            {CHECKS.filter(({ stage }) => stage === part).map((check) => {
              const known = settings.get(check.id);
              const setting = known ?? USUAL_SETTING;
              return (
                <li key={check.id} className={setting.off ? css.off : undefined}>
                  <div className={css.ruleWhat}>
                    <b>{check.title}</b>
                    <span className="faint">
                      {check.source}
                      {check.regions ? ` · ${check.regions.join(', ')}` : ''} · <SourceLink ruleId={check.id} />
                    </span>
                    {check.safety && <span className="chip quiet">{text('checks.safety')}</span>}
                    {isLowered(check, setting) && <span className="chip look">{text('checks.lowered')}</span>}
                    {known && known.by !== '' && (
                      <span className="faint">{text('checks.setBy', { by: known.by, on: known.on })}</span>
                    )}
                  </div>
                  <Switch
                    size="small"
                    checked={!setting.off}
                    aria-label={text('checks.onFor', { rule: check.title })}
                    onChange={(on) => write(check, { ...setting, off: !on })}
                  />
                  <Select<NonNullable<RuleSetting['rank']> | 'own'>
                    size="small"
                    aria-label={text('checks.rankFor', { rule: check.title })}
                    value={setting.rank ?? 'own'}
                    popupMatchSelectWidth={false}
                    onChange={(rank) => write(check, { ...setting, rank: rank === 'own' ? null : rank })}
                    options={[
                      {
                        value: 'own' as const,
                        label: text('checks.ownRank', { rank: term(`ranks.${check.severity}`).toLowerCase() }),
                      },
                      ...(['stop', 'look', 'fine'] as const).map((value) => ({ value, label: term(`ranks.${value}`) })),
                    ]}
                  />
                  <div className={css.ruleLimits}>
                    {Object.entries(check.limits ?? {}).map(([name, limit]) => (
                      <label key={name} className="field">
                        <span>{textNamed('checks.limits', name)}</span>
                        <InputNumber
                          size="small"
                          value={setting.limits[name] ?? limit.usual}
                          min={limit.min}
                          max={limit.max}
                          step={(limit.max - limit.min) / 20}
                          suffix={limit.unit}
                          aria-label={`${textNamed('checks.limits', name)}, ${check.title}`}
                          onChange={(value) => {
                            if (value === null) return;
                            const { [name]: _old, ...others } = setting.limits;
                            write(check, { ...setting, limits: value === limit.usual ? others : { ...others, [name]: value } });
                          }}
                        />
                      </label>
                    ))}
                  </div>
                  {(check.safety || setting.reason !== '') && (
                    <WordsField
                      label={text('checks.reason')}
                      value={setting.reason}
                      max={400}
                      onChange={(reason) => write(check, { ...setting, reason })}
                    />
                  )}
                  {wrong?.id === check.id && (
                    <p className={css.refused} role="alert">
                      {problemSentence(wrong.problem)}
                    </p>
                  )}
                </li>
              );
            })}
          </ul>
        </section>
      ))}
    </>
  );
}
