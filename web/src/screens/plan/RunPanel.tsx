import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { removeRuns } from '@dusky-spool/core/devices';
import { findingKey, findingsOf } from '@dusky-spool/core/rules';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import { type Run, RUN_STATES, SLACK_STYLES, type SlackStyle } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { HOLE_MEMBERS, type HoleMember } from '@dusky-spool/core/routing';
import { isKept, type PlannedRun, runState, slackStyleOf } from '@dusky-spool/core/runs';
import { formatCableLength } from '@dusky-spool/core/math';
import { later } from '../../ground/later.ts';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { editOnRoutes, useDerived } from '../../state/derived.ts';
import { useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { FindingCard } from '../../ui/FindingCard.tsx';
import { LengthBar } from '../../ui/LengthBar.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { Button, Select } from 'antd';
import { Fragment } from 'react';
import { problemSentence } from '@dusky-spool/texts';
import { LabelQuestion } from './LabelNotice.tsx';
import { RunFarEnd } from './RunFarEnd.tsx';
import { RunRecords } from './RunRecords.tsx';
import { RunSupply } from './RunSupply.tsx';
import css from './plan.module.css';

/** Fetched when the first run is looked at. */
const RunEnds = later(() => import('./RunEnds.tsx').then((module) => module.RunEnds), null);

/** Fetched when the first run is looked at. */
const RouteChoices = later(() => import('./RouteOptions.tsx').then((module) => module.RouteOptions), null);

/** Houses in which a run may go on the surface rather than into the wall. */
const FINISHED = new Set(['retrofit', 'heritage', 'slab']);
const BothRoutes = later(() => import('./BothRoutes.tsx').then((module) => module.BothRoutes), null);

interface Props {
  readonly planned: PlannedRun;
  readonly onSelect: (selection: Selection, levelId?: string) => void;
}

/** One run: its tag, its length in parts, its route, its cable and state, and what the checks say. */
export function RunPanel({ planned, onSelect }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { findings, rows, runs } = useDerived(project);
  const { run, length, proposedRoute, issuedRoute, device } = planned;
  const { units } = project.project;
  const row = rows.find((r) => r.runId === run.id)!;
  const change = (title: string, after: Partial<Run>) => {
    const operations = changeRecord('runs', run, after);
    if (operations.length > 0) edit(title, operations);
  };
  const together = run.bundle === '' ? 0 : runs.filter((other) => other.run.bundle === run.bundle).length;
  const holes = proposedRoute.ok ? proposedRoute.value.holes : [];
  const through = (kind: HoleMember) => holes.filter(({ member }) => member === kind).length;
  return (
    <>
      <RunTag number={run.number} large>
        <p>
          <button
            type="button"
            className="plain link"
            onClick={() => onSelect({ kind: 'device', ids: [device.id] }, device.levelId)}
          >
            {row.from}
          </button>
          {' → '}
          {row.to}
          {run.purpose && `, ${run.purpose}`}
        </p>
      </RunTag>
      <LabelQuestion project={project} planned={planned} />

      {run.foundId !== null && <p className="caution">{text('run.existingNote')}</p>}
      {length && run.foundId === null ? (
        <>
          <div className="eyebrow">{text('run.length', { length: formatCableLength(length.cutLengthM, units) })}</div>
          <LengthBar length={length} units={units} />
          <dl className="figures">
            <dt className={`${css.key} rise`}>{text('run.rise')}</dt>
            <dd>{formatCableLength(length.riseM, units)}</dd>
            <dt className={`${css.key} run`}>{text('run.run')}</dt>
            <dd>{formatCableLength(length.runM, units)}</dd>
            <dt className={`${css.key} drop`}>{text('run.drop')}</dt>
            <dd>{formatCableLength(length.dropM, units)}</dd>
            <dt className={`${css.key} slack`}>{text('run.slack')}</dt>
            <dd>
              {formatCableLength(length.deviceSlackM, units)} + {formatCableLength(length.rackSlackM, units)}
            </dd>
            <dt className={`${css.key} allowance`}>{text('run.allowance')}</dt>
            <dd>{formatCableLength(length.allowanceM, units)}</dd>
          </dl>
          <p className="faint">
            {text(length.traced ? 'run.rangeTraced' : 'run.rangeEstimated', {
              least: formatCableLength(length.leastM, units),
              most: formatCableLength(length.mostM, units),
            })}
          </p>
        </>
      ) : (
        !proposedRoute.ok &&
        run.foundId === null && (
          <div className={css.noWay}>
            <b>{text('run.noWay')}</b>
            <p>{problemSentence(proposedRoute.problem, units)}</p>
          </div>
        )
      )}

      {proposedRoute.ok && run.foundId === null && (
        <>
          <div className="eyebrow">{text('run.route')}</div>
          <dl className="figures">
            {HOLE_MEMBERS.filter((member) => through(member) > 0).map((member) => (
              <Fragment key={member}>
                <dt>{term(`holes.${member}`)}</dt>
                <dd>{text('run.holes', { count: through(member) })}</dd>
              </Fragment>
            ))}
            {holes.length === 0 && <dt>{text('run.bored')}</dt>}
            {holes.length === 0 && <dd>{text('run.nothingBored')}</dd>}
            <dt>{text('run.pulledWith')}</dt>
            <dd>{together > 1 ? text('run.bundleOf', { bundle: run.bundle, count: together }) : text('run.alone')}</dd>
          </dl>
          {!issuedRoute && <RouteChoices run={run} broken={proposedRoute.value.broken} />}
          {FINISHED.has(project.project.construction) && run.toDeviceId === null && <BothRoutes run={run} />}
          {through('joist') + through('stud') > 0 && <p className="caution">{text('run.boring')}</p>}
          {through('masonry') + through('fire') > 0 && <p className="caution">{text('run.masonryCaution')}</p>}
        </>
      )}

      <div className="eyebrow">{text('run.cable')}</div>
      <div className="fields">
        <label className="field">
          <span>{text('run.cable')}</span>
          <Select
            aria-label={text('run.cable')}
            value={run.cableTypeId}
            onChange={(cableTypeId) => change(text('edit.cable'), { cableTypeId })}
            options={listOf(project, 'cableTypes').map((cable) => ({ value: cable.id, label: cable.name }))}
          />
        </label>
        <label className="field">
          <span>{text('run.state')}</span>
          <Select
            aria-label={text('run.state')}
            value={run.state}
            onChange={(state) =>
              void editOnRoutes(
                text('edit.state', { number: run.number, state: term(`states.${state}`).toLowerCase() }),
                (now, routeOf) => runState(now, [run.id], state, routeOf),
              )
            }
            options={RUN_STATES.map((value) => ({ value, label: term(`states.${value}`) }))}
          />
        </label>
        <RunRecords run={run} onChange={change} />
        <RunSupply run={run} />
        {!isKept(run) && (
          <>
            <RunFarEnd run={run} />
            <WordsField
              label={text('run.bundle')}
              value={run.bundle}
              max={12}
              onChange={(bundle) => change(text('edit.bundle'), { bundle: bundle.toUpperCase() })}
            />
            <WordsField
              label={text('run.purpose')}
              value={run.purpose}
              max={60}
              onChange={(purpose) => change(text('run.purpose'), { purpose })}
            />
            <ChoiceField<SlackStyle | 'usual'>
              label={text('run.slackStyle')}
              value={run.slackStyle ?? 'usual'}
              options={[
                {
                  value: 'usual',
                  label: text('run.slackUsual', {
                    style: term(`slackStyles.${slackStyleOf(project.project, { ...run, slackStyle: null }, device)}`),
                  }),
                },
                ...SLACK_STYLES.map((value) => ({ value, label: term(`slackStyles.${value}`) })),
              ]}
              onChange={(style) => change(text('edit.slack'), { slackStyle: style === 'usual' ? null : style })}
            />
            <LengthField
              label={text('run.slackDevice')}
              valueM={run.deviceSlackM}
              units={units}
              onChange={(deviceSlackM) => deviceSlackM !== null && change(text('edit.slack'), { deviceSlackM })}
            />
            <LengthField
              label={text('run.slackRack')}
              valueM={run.rackSlackM}
              units={units}
              onChange={(rackSlackM) => rackSlackM !== null && change(text('edit.slack'), { rackSlackM })}
            />
          </>
        )}
      </div>
      {issuedRoute && <p className="faint">{text('run.kept')}</p>}
      <RunEnds run={run} />
      <div className="eyebrow">{text('run.why')}</div>
      <div className="fields">
        <WordsField
          label={text('run.reason')}
          value={run.reason}
          max={200}
          onChange={(reason) => change(text('run.reason'), { reason })}
        />
        <Costs>
          <NumberField
            label={text('run.price', { currency: project.project.currency })}
            value={run.price ?? undefined}
            placeholder={text('run.priceByCable')}
            min={0}
            max={1_000_000}
            onChange={(price) => change(text('run.priced'), { price })}
            onEmpty={() => change(text('run.priced'), { price: null })}
          />
        </Costs>
      </div>
      {!isKept(run) && (
        <Button
          danger
          size="small"
          className="remove"
          onClick={() => {
            if (edit(text('run.removed', { count: 1 }), removeRuns(project, [run.id])))
              onSelect({ kind: 'device', ids: [device.id] }, device.levelId);
          }}
        >
          {text('run.remove')}
        </Button>
      )}

      <Checks findings={findingsOf(findings, run.id)} />
    </>
  );
}

export function Checks({ findings }: { readonly findings: readonly DerivedFinding[] }) {
  const project = useProject();
  if (findings.length === 0) return null;
  return (
    <>
      <div className="eyebrow">{text('device.checks')}</div>
      {findings.map((finding) => (
        <FindingCard key={findingKey(finding)} finding={finding} units={project.project.units} />
      ))}
    </>
  );
}
