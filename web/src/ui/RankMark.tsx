import type { Rank } from '@dusky-spool/core/rules';
import { term } from '../ground/text.ts';
import css from './ui.module.css';

/** The mark of a finding's rank: an octagon, a half-filled eye, a tick. Its shape says it without colour. */
export function RankMark({ rank, label = true }: { readonly rank: Rank; readonly label?: boolean }) {
  return (
    <span className={`${css.rank} ${rank}`}>
      <svg
        width={13}
        height={13}
        viewBox="0 0 14 14"
        role={label ? undefined : 'img'}
        aria-label={label ? undefined : term(`ranks.${rank}`)}
        aria-hidden={label ? true : undefined}
      >
        {rank === 'stop' && (
          <path d="M4.400 0.800h5.200l3.600 3.600v5.200l-3.600 3.600H4.400L0.800 9.600V4.400Z" fill="currentColor" />
        )}
        {rank === 'look' && (
          <>
            <circle cx={7} cy={7} r={5.6} fill="none" stroke="currentColor" strokeWidth={1.6} />
            <path d="M7 1.400a5.600 5.600 0 0 0 0 11.200Z" fill="currentColor" />
          </>
        )}
        {rank === 'fine' && (
          <path
            d="M2 7.600 5.500 11 12 3.500"
            fill="none"
            stroke="currentColor"
            strokeWidth={2}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        )}
      </svg>
      {label && <span>{term(`ranks.${rank}`)}</span>}
    </span>
  );
}
