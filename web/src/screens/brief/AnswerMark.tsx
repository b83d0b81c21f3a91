import type { Answer } from '@dusky-spool/core/model';
import css from './brief.module.css';

/** How an answer is drawn: its shape tells it, not its colour. Wanted is a wound spool, prepared one that is half wound. */
export function AnswerMark({ answer, count = 0 }: { readonly answer: Answer | undefined; readonly count?: number }) {
  return (
    <svg viewBox="-11 -11 22 22" width={22} height={22} aria-hidden="true" className={`${css.answerMark} ${answer ?? 'none'}`}>
      {answer === 'wanted' && <circle r={9} className="fill" />}
      {answer === 'prepared' && (
        <>
          <circle r={8.5} className={css.line} />
          <path d="M-8.5 0A8.5 8.5 0 0 0 8.5 0Z" className="fill" />
        </>
      )}
      {answer === 'later' && <circle r={8.5} className={css.line} strokeDasharray="3 2.4" />}
      {answer === 'nothing' && <path d="M-6 0H6" className={css.line} />}
      {answer === undefined && <circle r={1.6} className={css.dot} />}
      {count > 1 && answer !== 'nothing' && (
        <text y={4} textAnchor="middle" className={answer === 'wanted' ? css.onFill : ''}>
          {count}
        </text>
      )}
    </svg>
  );
}
