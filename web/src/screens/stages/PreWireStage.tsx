import type { ReactNode } from 'react';
import type { TextKey } from '@dusky-spool/texts';
import { useProject } from '../../state/open-project.ts';
import { groupSchedule, type ScheduleRow } from '@dusky-spool/core/sheets';
import { RUN_STATES, type RunState } from '@dusky-spool/core/model';
import { runState } from '@dusky-spool/core/runs';
import { formatCableLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { editOnRoutes, useDerived } from '../../state/derived.ts';
import { RunTable } from './RunTable.tsx';
import { Cautions } from '../../ui/Cautions.tsx';
import { StagePage } from '../../ui/StagePage.tsx';
import { Button } from 'antd';
import { Link } from 'react-router';
import css from './stages.module.css';

/** What comes next for a run on the pre-wire day. */
const NEXT: Partial<Record<RunState, { to: RunState; words: TextKey<'ui'> }>> = {
  drafted: { to: 'issued', words: 'stage.preWire.issue' },
  issued: { to: 'labelled', words: 'stage.preWire.label' },
  labelled: { to: 'pulled', words: 'stage.preWire.pull' },
};

const isPulled = (row: ScheduleRow) => RUN_STATES.indexOf(row.state) >= RUN_STATES.indexOf('pulled');

/** Pulling by bundle, made for one hand: each step of a run is one large button. `tabs` leads to the other views of the stage. */
export function PreWireStage({ tabs }: { readonly tabs?: ReactNode }) {
  const project = useProject();
  const { rows } = useDerived(project);
  const { units } = project.project;
  const go = (row: ScheduleRow, state: RunState) =>
    void editOnRoutes(text('edit.state', { number: row.number, state: term(`states.${state}`).toLowerCase() }), (now, routeOf) =>
      runState(now, [row.runId], state, routeOf),
    );
  const done = rows.filter(isPulled).length;
  const drafted = rows.filter(({ state }) => state === 'drafted');
  return (
    <StagePage
      title={text('stage.preWire.title')}
      lead={text('stage.preWire.lead')}
      aside={
        <div className="panel-buttons">
          {drafted.length > 0 && (
            <Button
              onClick={() =>
                void editOnRoutes(text('stage.preWire.issuedAll'), (now, routeOf) =>
                  runState(
                    now,
                    drafted.map(({ runId }) => runId),
                    'issued',
                    routeOf,
                  ),
                )
              }
            >
              {text('stage.preWire.issueAll', { count: drafted.length })}
            </Button>
          )}
          <Link to="/scan" className="chip">
            {text('header.scan')}
          </Link>
        </div>
      }
    >
      {tabs}
      <Cautions ids={project.project.construction === 'new-framing' ? ['C18'] : ['C18', 'C17']} />
      <p className="caution">{text('stage.preWire.caution')}</p>
      {rows.length === 0 && <p>{text('stage.preWire.none')}</p>}
      {rows.length > 0 && (
        <div className={css.pullProgress} role="img" aria-label={text('stage.preWire.pulledAll', { done, count: rows.length })}>
          <span style={{ width: `${(100 * done) / rows.length}%` }} />
          <b>{text('stage.preWire.pulledAll', { done, count: rows.length })}</b>
        </div>
      )}
      {groupSchedule(rows, 'bundle').map((group) => {
        const pulled = group.rows.filter(isPulled).length;
        const step = NEXT[group.rows.find((row) => NEXT[row.state])?.state ?? 'tested'];
        const ready = step ? group.rows.filter((row) => NEXT[row.state]?.to === step.to) : [];
        return (
          <section key={group.key} className={css.pullBundle}>
            <header>
              <Strands count={group.rows.length} />
              <div>
                <h3>
                  {group.title === '' ? text('stage.preWire.alone') : text('stage.preWire.bundle', { bundle: group.title })}
                </h3>
                <span className="faint">
                  {group.rows[0].level}, {group.rows[0].room} ·{' '}
                  {text('stage.preWire.done', { done: pulled, count: group.rows.length })} ·{' '}
                  {formatCableLength(group.cutLengthM, units)}
                </span>
              </div>
              {step && ready.length > 1 && (
                <Button
                  onClick={() =>
                    void editOnRoutes(
                      text('edit.bundleState', { bundle: group.title, state: term(`states.${step.to}`).toLowerCase() }),
                      (now, routeOf) =>
                        runState(
                          now,
                          ready.map((row) => row.runId),
                          step.to,
                          routeOf,
                        ),
                    )
                  }
                >
                  {text(step.words)}: {ready.length}
                </Button>
              )}
            </header>
            <RunTable
              rows={group.rows}
              units={units}
              action={(row) => {
                const next = NEXT[row.state];
                return next ? (
                  <Button type={next.to === 'pulled' ? 'primary' : 'default'} onClick={() => go(row, next.to)}>
                    {text(next.words)}
                  </Button>
                ) : (
                  <Button type="text" onClick={() => go(row, 'drafted')}>
                    {text('stage.preWire.back')}
                  </Button>
                );
              }}
            />
          </section>
        );
      })}
    </StagePage>
  );
}

/** A bundle as one thicker thread whose strands part at the ends. */
function Strands({ count }: { readonly count: number }) {
  const strands = Math.min(count, 7);
  return (
    <svg width={64} height={36} viewBox="0 0 64 36" aria-hidden="true" className={css.strands}>
      {Array.from({ length: strands }, (_, i) => {
        const y = 18 + (i - (strands - 1) / 2) * 4.6;
        const m = 18 + (i - (strands - 1) / 2) * 1.6;
        return <path key={i} d={`M2 ${y}C16 ${y} 16 ${m} 28 ${m}H62`} />;
      })}
    </svg>
  );
}
