import { saveCalculation } from '../../commands/save-calculation.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { useProject } from '../../state/open-project.ts';
import { CALCULATOR_TOPICS, CALCULATORS, listCalculators, runCalculator, stepsOf } from '@dusky-spool/core/calculators';
import { compareNumbers, filledIn } from '@dusky-spool/core/runs';
import type { KeptCalculation } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { useOwnName } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { Button, Input, InputNumber, Select, Switch } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { figureName, figureValue, problemSentence, words } from '@dusky-spool/texts';
import css from './checks.module.css';

/** One field of a calculator as its JSON Schema tells it. */
interface Field {
  readonly description?: string;
  readonly type?: string;
  readonly enum?: readonly (string | number)[];
  readonly anyOf?: readonly Field[];
  readonly items?: Field;
  readonly prefixItems?: readonly Field[];
  readonly properties?: Readonly<Record<string, Field>>;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly default?: unknown;
  readonly const?: string | number;
}
const SCHEMAS = new Map(
  (listCalculators() as { name: string; input: { properties?: Record<string, Field> } }[]).map(({ name, input }) => [
    name,
    input.properties ?? {},
  ]),
);

/** Every calculator, open to use on its own, with what the project knows filled in; an answer may be kept with a run. */
export function Calculators() {
  const project = useProject();
  const [query, setQuery] = useSearchParams();
  const { runById } = useDerived(project);
  const edit = useProjectStore((state) => state.edit);
  const author = useOwnName();
  const [search, setSearch] = useState('');
  const name = CALCULATORS.some((one) => one.name === query.get('calc')) ? query.get('calc')! : 'speaker-cable-loss';
  const runId = query.get('run');
  const run = runId === null ? undefined : runById.get(runId);
  const found = CALCULATORS.find((one) => one.name === name)!;
  const fields = SCHEMAS.get(name)!;
  const usual = useMemo(() => filledIn(project, run, found, fields), [project, run, found, fields]);
  const [typed, setTyped] = useState<{ readonly of: string; readonly values: Readonly<Record<string, unknown>> }>({
    of: '',
    values: {},
  });
  const key = `${name}/${runId ?? ''}`;
  const values = { ...usual, ...(typed.of === key ? typed.values : {}) };
  const given = Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined && value !== ''));
  const outcome = runCalculator(name, given);
  const steps = stepsOf(name, given);
  const set = (field: string, value: unknown) =>
    setTyped({ of: key, values: { ...(typed.of === key ? typed.values : {}), [field]: value } });
  const go = (next: Record<string, string>) =>
    setQuery({ view: 'calculators', calc: name, ...(runId === null ? {} : { run: runId }), ...next });
  const searched = search.trim().toLowerCase();
  const kept = listOf(project, 'keptCalculations').filter((one) => one.runId === (runId ?? null));
  const keep = () => {
    if (!outcome.ok) return;
    const result = Object.entries(outcome.value)
      .map(([field, value]) => `${figureName(field)}: ${figureValue(value)}`)
      .join('; ');
    const input = given as KeptCalculation['input'];
    edit(
      text('checks.kept'),
      saveCalculation({ id: newRecordId('kc'), runId, calculator: name, input, result, by: author, on: today() }),
    );
  };
  return (
    <div className={css.calculators}>
      <nav aria-label={text('checks.views.calculators')}>
        <Input
          size="small"
          value={search}
          placeholder={text('checks.find')}
          aria-label={text('checks.find')}
          onChange={(event) => setSearch(event.target.value)}
          allowClear
        />
        {CALCULATOR_TOPICS.map((topic) => {
          const own = CALCULATORS.filter(
            (one) => one.topic === topic && (searched === '' || `${one.title} ${one.name}`.toLowerCase().includes(searched)),
          );
          return own.length === 0 ? null : (
            <section key={topic}>
              <h3 className="eyebrow">{text(`checks.topics.${topic}`)}</h3>
              {own.map((one) => (
                <button
                  key={one.name}
                  type="button"
                  className={one.name === name ? `plain ${css.calcName} chosen` : `plain ${css.calcName}`}
                  aria-current={one.name === name}
                  onClick={() => go({ calc: one.name })}
                >
                  {one.title}
                </button>
              ))}
            </section>
          );
        })}
      </nav>
      <article aria-label={found.title}>
        <header>
          <h3>{found.title}</h3>
          <label className="field">
            <span>{text('checks.forRun')}</span>
            <Select
              size="small"
              showSearch={{ optionFilterProp: 'label' }}
              value={runId ?? ''}
              aria-label={text('checks.forRun')}
              popupMatchSelectWidth={false}
              onChange={(value) => setQuery({ view: 'calculators', calc: name, ...(value === '' ? {} : { run: value }) })}
              options={[
                { value: '', label: text('checks.noRun') },
                ...listOf(project, 'runs')
                  .toSorted((a, b) => compareNumbers(a.number, b.number))
                  .map(({ id, number }) => ({ value: id, label: number })),
              ]}
            />
          </label>
        </header>
        <div className={css.calcBody}>
          <form className={css.calcInput} aria-label={text('checks.input')} onSubmit={(event) => event.preventDefault()}>
            {Object.entries(fields).map(([field, schema]) => (
              <InputFor
                key={`${key}/${field}`}
                name={field}
                schema={schema}
                value={values[field]}
                onChange={(value) => set(field, value)}
              />
            ))}
          </form>
          <div className={css.calcAnswer} role="status">
            {outcome.ok ? (
              <dl>
                {Object.entries(outcome.value).map(([field, value]) => (
                  <div
                    key={field}
                    className={field === 'ok' || field === 'fits' ? (value === false ? css.answerNo : 'answer-yes') : undefined}
                  >
                    <dt>{figureName(field)}</dt>
                    <dd>{figureValue(value)}</dd>
                  </div>
                ))}
              </dl>
            ) : (
              <p className={outcome.problem.kind === 'incomplete' ? 'faint' : css.refused}>
                {problemSentence({ ...outcome.problem, field: figureName(outcome.problem.field ?? '') }, project.project.units)}
              </p>
            )}
            {steps.length > 0 && (
              <>
                <h4 className="eyebrow">{text('checks.steps')}</h4>
                <ol className={css.calcSteps}>
                  {steps.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              </>
            )}
            <Cautions ids={found.cautions} />
            {outcome.ok && (
              <Button size="small" onClick={keep}>
                {run ? text('checks.keepWith', { number: run.run.number }) : text('checks.keep')}
              </Button>
            )}
          </div>
        </div>
        <dl className={css.calcSource}>
          <dt>{text('checks.formula')}</dt>
          <dd>
            {found.formulas.map((formula) => (
              <code key={formula}>{formula}</code>
            ))}
          </dd>
          <dt>{text('checks.source')}</dt>
          <dd>
            {found.source}{' '}
            <Link className="plain link" to={`?view=reference&page=${found.topic}&at=${found.name}`}>
              {words.t('reference.open')}
            </Link>
          </dd>
          <dt>{text('checks.valid')}</dt>
          <dd>{found.valid}</dd>
        </dl>
        {kept.length > 0 && (
          <>
            <h4 className="eyebrow">{run ? text('checks.keptWith', { number: run.run.number }) : text('checks.keptHere')}</h4>
            <ul className={css.calcKept}>
              {kept.map((one) => (
                <li key={one.id}>
                  <b>{CALCULATORS.find(({ name: of }) => of === one.calculator)?.title ?? one.calculator}</b>{' '}
                  <span className="faint">{one.on}</span>
                  <p>{one.result}</p>
                  <Button size="small" onClick={() => edit(text('checks.drop'), removeRecords('keptCalculations', [one]))}>
                    {text('checks.drop')}
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
      </article>
    </div>
  );
}

/** The kind of a field, looked for through its alternatives. */
function kindOf({ type, enum: words, anyOf, items, const: only }: Field): {
  kind: string;
  words: readonly (string | number)[];
  items?: string;
} {
  const options = anyOf?.filter((one) => one.type !== 'null');
  if (options && options.length > 1 && options.every((one) => one.const !== undefined))
    return { kind: 'choice', words: options.map((one) => one.const!) };
  if (options && options.length >= 1) return kindOf(options[0]);
  if (words) return { kind: 'choice', words };
  if (only !== undefined) return { kind: 'choice', words: [only] };
  return { kind: type ?? 'object', words: [], items: items?.type };
}

/** What a field is, in words; a list of things with an example of one. */
function hintOf(schema: Field): string {
  const words = (schema.description ?? '').replace(/\bnull\b/g, 'empty');
  const isThings = schema.type === 'array' && !['number', 'integer'].includes(schema.items?.type ?? '');
  if (!isThings || !schema.items) return words;
  const such = text('checks.listSuch', { sample: JSON.stringify([sampleOf(schema.items)]) });
  return words === '' ? such : `${words}; ${such}`;
}

/** A value that a field would take, for an example. */
function sampleOf(schema: Field): unknown {
  const { type, enum: words, anyOf, items, prefixItems, properties } = schema;
  if (schema.default !== undefined) return schema.default;
  if (words) return words[0];
  if (anyOf) return sampleOf(anyOf[0]);
  if (properties) return Object.fromEntries(Object.entries(properties).map(([name, one]) => [name, sampleOf(one)]));
  if (type === 'array') return prefixItems ? prefixItems.map(sampleOf) : items ? [sampleOf(items)] : [];
  if (type === 'boolean') return false;
  return type === 'string' ? '' : 1;
}

/** One field of a calculator: a number, a choice, a switch, a list of numbers, or a list as JSON. */
function InputFor({
  name,
  schema,
  value,
  onChange,
}: {
  readonly name: string;
  readonly schema: Field;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}) {
  const { kind, words, items } = kindOf(schema);
  const label = figureName(name);
  const [draft, setDraft] = useState<string | null>(null);
  const shown = value === undefined ? schema.default : value;
  const isList = kind === 'array' && (items === 'number' || items === 'integer');
  const asText =
    isList && Array.isArray(shown) ? shown.join(', ') : shown === undefined || shown === null ? '' : JSON.stringify(shown);
  const commit = () => {
    if (draft === null) return;
    setDraft(null);
    if (draft.trim() === '') return onChange(isList ? [] : undefined);
    if (isList)
      return onChange(
        draft
          .split(/[,;\s]+/)
          .filter((part) => part !== '')
          .map(Number),
      );
    try {
      onChange(JSON.parse(draft));
    } catch {
      onChange(draft);
    }
  };
  return (
    <label className="field">
      <span>{label}</span>
      {kind === 'choice' ? (
        <Select
          size="small"
          value={shown as string | number | undefined}
          aria-label={label}
          popupMatchSelectWidth={false}
          onChange={onChange}
          options={words.map((one) => ({ value: one, label: String(one) }))}
        />
      ) : kind === 'boolean' ? (
        <Switch size="small" checked={shown === true} aria-label={label} onChange={onChange} />
      ) : kind === 'number' || kind === 'integer' ? (
        <InputNumber
          size="small"
          value={shown as number | null}
          aria-label={label}
          onChange={(next) => onChange(next ?? undefined)}
        />
      ) : (
        <Input
          size="small"
          value={draft ?? (kind === 'string' ? ((shown as string | undefined) ?? '') : asText)}
          aria-label={label}
          onChange={(event) => (kind === 'string' ? onChange(event.target.value) : setDraft(event.target.value))}
          onBlur={commit}
          onPressEnter={commit}
        />
      )}
      <em>{hintOf(schema)}</em>
    </label>
  );
}
