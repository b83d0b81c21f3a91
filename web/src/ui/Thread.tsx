import { NavLink, useParams } from 'react-router';
import { text } from '../ground/text.ts';
import type { StageProgress } from '../state/progress.ts';
import css from './ui.module.css';

interface Props {
  readonly stages: readonly StageProgress[];
}

const R = 10;
const AROUND = 2 * Math.PI * R;

/** The job as a copper thread through ten beads, each filled by real counts. A stage is a route. */
export function Thread({ stages }: Props) {
  const { stage: here } = useParams();
  return (
    <nav className={css.thread} aria-label={text('stages.thread')}>
      <NavLink to="/projects" className={css.threadHome} aria-label={text('toProjects')}>
        <svg width={40} height={40} viewBox="0 0 40 40" aria-hidden="true">
          <g fill="none" stroke="currentColor" strokeWidth={1.7}>
            <path d="M37 20a17 17 0 1 0-17 17M37 20c0 7-4 12-9 13" />
            <circle cx={20} cy={20} r={11} />
            <circle cx={20} cy={20} r={5} className={css.threadCore} />
          </g>
        </svg>
      </NavLink>
      <ol>
        {stages.map(({ stage, share, open, stops }, index) => {
          const name = text(`stages.${stage}`);
          const label = [
            text('stages.done', { stage: name, share: Math.round(share * 100) }),
            ...(open > 0 ? [text('stages.open', { count: open })] : []),
            ...(stops > 0 ? [text('stages.hasStops')] : []),
          ].join(', ');
          const reached = share > 0 || stages.slice(index + 1).some((later) => later.share > 0);
          return (
            <li key={stage} className={reached ? css.reached : ''}>
              <NavLink
                to={`../${stage}`}
                relative="path"
                className={stage === here ? 'here' : ''}
                aria-label={label}
                aria-current={stage === here ? 'page' : undefined}
              >
                <svg width={26} height={26} viewBox="-13 -13 26 26" aria-hidden="true">
                  <circle r={R} className={css.beadRing} />
                  <circle
                    r={R}
                    className={css.beadFill}
                    strokeDasharray={`${share * AROUND} ${AROUND}`}
                    transform="rotate(-90)"
                  />
                  {stage === here && <circle r={6.5} className={css.beadHere} />}
                  {stops > 0 && (
                    <path d="M4,-13h5l4,4v5l-4,4h-5l-4,-4v-5Z" transform="scale(0.8) translate(2,-1)" className={css.beadStop} />
                  )}
                </svg>
                <span>{name}</span>
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
