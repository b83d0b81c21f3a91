import { formatCableLength } from '@dusky-spool/core/math';
import { text } from '../../ground/text.ts';
import { useDerivedStore } from '../../state/derived.ts';
import { useProjectStore } from '../../state/project.ts';
import { RankMark } from '../../ui/RankMark.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { findingSentence } from '@dusky-spool/texts';
import css from './plan.module.css';

const MAX_RUNS = 6;
/** The card has room for everything it may say, so that its words never move the page while something is dragged, px. */
const HEAD_PX = 44;
const RUN_PX = 26;
const CLASHES_PX = 128;

/** What follows from where devices are dragged to: the length of their runs, and what keeps them from being built there. */
export function DragCard() {
  const isDragging = useProjectStore(({ preview }) => preview?.kind === 'drag');
  const units = useProjectStore(({ sync }) => sync?.view.project.units ?? 'metric');
  const dragged = useDerivedStore((state) => state.dragged);
  if (!isDragging || !dragged) return null;
  const runs = dragged.runs.slice(0, MAX_RUNS);
  return (
    <section
      className={css.handCard}
      aria-live="off"
      aria-label={text('plan.inHand')}
      style={{ height: HEAD_PX + runs.length * RUN_PX + CLASHES_PX }}
    >
      <div className="eyebrow">{text('plan.inHand')}</div>
      {runs.map(({ run, length }) => (
        <p key={run.id}>
          <RunTag number={run.number} /> <b>{length ? formatCableLength(length.cutLengthM, units) : text('run.noWay')}</b>
        </p>
      ))}
      {dragged.clashes.map(({ deviceId, rank, code, figures }) => (
        <p key={`${deviceId}${code}`} className={`hand-clash ${rank}`}>
          <RankMark rank={rank} /> {findingSentence({ code, figures }, units)}
        </p>
      ))}
    </section>
  );
}
