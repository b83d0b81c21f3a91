import { useProject } from '../../state/open-project.ts';
import type { FactState } from '@dusky-spool/core/model';
import { answerFact, missingThings, type SurveyQuestion, surveyQuestions } from '@dusky-spool/core/house';
import { formatLength, parseLength, type UnitSystem } from '@dusky-spool/core/math';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { postJson } from '../../ground/api/http.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text, textNamed } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { useMemo, useState } from 'react';
import { Button } from 'antd';
import { problemSentence, words } from '@dusky-spool/texts';
import css from './survey.module.css';

interface Props {
  readonly onBack: () => void;
}

/** What is not known, one question at a time in walking order, for a phone held in one hand. */
export function Walk({ onBack }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const name = useOwnName();
  const questions = useMemo(() => surveyQuestions(project), [project]);
  const [total] = useState(questions.length);
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const open = questions.filter(({ id, state }) => !skipped.has(id) && state !== 'not-known');
  const question = open[0];
  const { units } = project.project;
  const missing = missingThings(project);

  const answer = (state: FactState, value?: number | string) => {
    if (!question) return;
    edit(
      text('survey.answer', { what: questionText(question) }),
      answerFact(project, question, { value, state, by: name, on: today() }, newRecordId('q')),
    );
    setTyped('');
    setProblem(null);
  };
  const commit = () => {
    if (!question) return;
    if (question.kind === 'words') return answer('measured', typed.trim().slice(0, 120));
    if (question.kind === 'angle') {
      const degrees = Number(typed.replace(',', '.'));
      if (typed.trim() === '' || !Number.isFinite(degrees) || Math.abs(degrees) > 360) return setProblem(text('walk.badAngle'));
      return answer('measured', (degrees * Math.PI) / 180);
    }
    const parsed = parseLength(typed, units);
    if (!parsed.ok) return setProblem(problemSentence(parsed.problem, units));
    answer('measured', parsed.value);
  };
  const measure = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const { lengthM } = await postJson<{ lengthM: number }>('/bridge/laser/measure', {});
      setTyped(formatLength(lengthM, units));
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const done = total - questions.length;
  const feature = question?.subject === 'features' ? project.features[question.subjectId] : null;
  const thing = feature && (feature.name || term(`features.${feature.kind}`));
  const room = question?.roomId ? project.rooms[question.roomId] : null;
  return (
    <section className="walk">
      <header>
        <Button size="large" onClick={onBack}>
          ‹ {text('schedule.toPlan')}
        </Button>
        <span className="chip">{text('walk.left', { count: open.length })}</span>
      </header>
      <div
        className="walk-bar"
        role="progressbar"
        aria-valuemin={0}
        aria-valuemax={total}
        aria-valuenow={done}
        aria-label={text('walk.progress')}
      >
        <span style={{ width: `${total === 0 ? 100 : (100 * done) / total}%` }} />
      </div>
      {question ? (
        <div className="walk-card">
          <p className="eyebrow">
            {project.levels[question.levelId].name}
            {room && ` · ${room.code}`}
          </p>
          <h1>{room?.name ?? project.levels[question.levelId].name}</h1>
          {thing && <p className="eyebrow">{thing}</p>}
          <p className={css.walkQuestion}>{questionText(question)}</p>
          <p className="faint">
            {question.now === null || question.now === ''
              ? text('walk.nothingYet')
              : text('walk.assumed', { value: nowText(question, units) })}{' '}
            · {text('walk.neededBy', { stage: text(`stages.${question.neededBy}`) })}
          </p>
          {question.kind === 'choice' ? (
            <div className={css.walkButtons} role="group" aria-label={questionText(question)}>
              {question.choices.map((choice) => (
                <Button key={choice} size="large" onClick={() => answer('measured', choice)}>
                  {choiceText(question, choice)}
                </Button>
              ))}
            </div>
          ) : (
            <input
              className={css.walkField}
              value={typed}
              inputMode={units === 'metric' && question.kind !== 'words' ? 'decimal' : 'text'}
              aria-label={questionText(question)}
              aria-invalid={problem !== null}
              placeholder={text(PLACEHOLDERS[question.kind] ?? (units === 'metric' ? 'walk.metric' : 'walk.imperial'))}
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => {
                event.stopPropagation();
                if (event.key === 'Enter') commit();
              }}
            />
          )}
          {problem && (
            <p className="field-problem" role="alert">
              {problem}
            </p>
          )}
          <div className={css.walkButtons}>
            {question.kind !== 'choice' && (
              <Button size="large" type="primary" disabled={typed.trim() === ''} onClick={commit}>
                {text(question.kind === 'words' ? 'walk.note' : 'walk.measured')}
              </Button>
            )}
            {question.kind === 'length' && (
              <Button size="large" loading={busy} onClick={() => void measure()}>
                {text('walk.laser')}
              </Button>
            )}
            {typeof question.now === 'number' && (
              <Button size="large" onClick={() => answer('measured', question.now!)}>
                {text('walk.asAssumed')}
              </Button>
            )}
            <Button size="large" onClick={() => answer('not-known')}>
              {text('walk.notKnown')}
            </Button>
            <Button size="large" onClick={() => setSkipped(new Set([...skipped, question.id]))}>
              {text('walk.later')}
            </Button>
          </div>
        </div>
      ) : (
        <div className="walk-card">
          <h1>{text('walk.doneTitle')}</h1>
          <p>
            {text('walk.doneLine', {
              later: skipped.size,
              unknown: questions.filter(({ state }) => state === 'not-known').length,
            })}
          </p>
          {skipped.size > 0 && (
            <Button size="large" onClick={() => setSkipped(new Set())}>
              {text('walk.again')}
            </Button>
          )}
        </div>
      )}
      {missing.length > 0 && (
        <div className="finding look">
          <p>
            {text('walk.missing', {
              what: missing
                .map(({ kind }) => (kind === 'rack' ? text('survey.rack') : term(`features.${kind}`)))
                .join(', ')
                .toLowerCase(),
            })}
          </p>
        </div>
      )}
      <ol className="walk-list">
        {open.slice(1, 9).map((next) => (
          <li key={next.id}>
            <b>{next.roomId ? project.rooms[next.roomId].name : project.levels[next.levelId].name}</b> {questionText(next)}
          </li>
        ))}
      </ol>
    </section>
  );
}

const PLACEHOLDERS: Readonly<Record<string, 'walk.angle' | 'walk.words'>> = { angle: 'walk.angle', words: 'walk.words' };

/** Words of choices, by field. */
const CHOICE_TERMS: Readonly<Record<string, string>> = {
  substrate: 'substrates',
  condition: 'conditions',
  neutral: 'neutrals',
  tested: 'tests',
  decision: 'decisions',
};
const choiceText = ({ field }: Pick<SurveyQuestion, 'field'>, value: string): string =>
  words.t(`terms.${CHOICE_TERMS[field]}.${value}`);

function nowText({ kind, field, now }: SurveyQuestion, units: UnitSystem): string {
  if (typeof now === 'number') return kind === 'angle' ? `${Math.round((now * 180) / Math.PI)}°` : formatLength(now, units);
  return kind === 'choice' ? choiceText({ field }, now ?? '') : (now ?? '');
}

const questionText = ({ subject, field }: SurveyQuestion): string => textNamed(`questions.${subject}`, field);
