import { type DayPull, pullDay } from '@dusky-spool/core/field';
import { formatCableLength } from '@dusky-spool/core/math';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { text } from '../../ground/text.ts';
import { askOrder } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { useAsked } from '../../state/useAsked.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { LastPull, type Recorded } from './LastPull.tsx';
import { PullRow } from './PullRow.tsx';

import css from './field.module.css';

/** The pull at hand, cable by cable, as two people call it; a pulled cable leaves the list and its length leaves the spool. */
export function PullPanel() {
  const project = useProject();
  const order = useAsked(askOrder, '');
  const [at, setAt] = useState(0);
  const [recorded, setRecorded] = useState<Recorded | null>(null);
  const day = useMemo(() => (order ? pullDay(project, order.plan) : null), [project, order]);
  if (!day) return <p className="faint">{text('stage.field.planning')}</p>;
  const { pulls, done, all } = day;
  const n = Math.min(at, pulls.length - 1);
  return (
    <>
      <Cautions ids={project.project.construction === 'new-framing' ? ['C18'] : ['C18', 'C17']} />
      <p className={css.progress}>{text('stage.preWire.pulledAll', { done, count: all })}</p>
      {recorded && <LastPull key={`${recorded.runId} ${recorded.lengthM}`} recorded={recorded} />}
      {pulls.length === 0 && <p>{text('stage.field.none')}</p>}
      {pulls.length > 0 && (
        <>
          <PullHead pull={pulls[n]} n={n} count={pulls.length} />
          {pulls[n].runs.map((one) => (
            <PullRow key={one.run.id} one={one} onRecorded={setRecorded} />
          ))}
          <div className={css.steps}>
            <Button size="large" disabled={n === 0} onClick={() => setAt(n - 1)}>
              {text('stage.field.previous')}
            </Button>
            <Button size="large" disabled={n === pulls.length - 1} onClick={() => setAt(n + 1)}>
              {text('stage.field.next')}
            </Button>
          </div>
        </>
      )}
    </>
  );
}

function PullHead({ pull, n, count }: { readonly pull: DayPull; readonly n: number; readonly count: number }) {
  const project = useProject();
  const { units } = project.project;
  const rooms = pull.roomIds.map((id) => project.rooms[id]?.name).filter(Boolean);
  const longestM = Math.max(...pull.runs.map(({ cutM }) => cutM));
  return (
    <header className={css.pullHead}>
      <h3>
        {text('stage.field.of', { n: n + 1, count })} ·{' '}
        {pull.bundle === '' ? text('stage.field.alone') : text('stage.field.bundle', { bundle: pull.bundle })}
      </h3>
      <p>
        {[project.levels[pull.levelId]?.name, ...rooms].filter(Boolean).join(', ')} → {project.racks[pull.rackId]?.name} ·{' '}
        {text('stage.field.cables', { count: pull.runs.length })}, {text('stage.field.spools', { count: pull.spoolCount })} ·{' '}
        {formatCableLength(longestM, units)}
      </p>
      {pull.isShort && <p className="caution">{text('stage.field.short')}</p>}
    </header>
  );
}
