import { ANSWERS } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { AnswerMark } from './AnswerMark.tsx';

/** The marks and the keys that make them. */
export function Legend() {
  return (
    <footer className="brief-legend">
      {ANSWERS.map((answer) => (
        <span key={answer}>
          <AnswerMark answer={answer} /> {term(`answers.${answer}`)} <kbd>{answer[0].toUpperCase()}</kbd>
        </span>
      ))}
      <span>
        <AnswerMark answer={undefined} /> {term('answers.none')} <kbd>X</kbd>
      </span>
      <span className="faint">{text('brief.keys')}</span>
      <span className="faint">{text('brief.band')}</span>
    </footer>
  );
}
