import { ANSWERS } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { Costs } from '../../ui/Costs.tsx';
import { AnswerMark } from './AnswerMark.tsx';
import css from './brief.module.css';

/** The marks and the keys that make them. */
export function Legend() {
  return (
    <footer className={css.briefLegend}>
      {ANSWERS.map((answer) => (
        <span key={answer}>
          <AnswerMark answer={answer} /> {term(`answers.${answer}`)} <kbd>{answer[0].toUpperCase()}</kbd>
        </span>
      ))}
      <span>
        <AnswerMark answer={undefined} /> {term('answers.none')} <kbd>X</kbd>
      </span>
      <span className="faint">{text('brief.keys')}</span>
      <Costs>
        <span className="faint">{text('brief.band')}</span>
      </Costs>
    </footer>
  );
}
