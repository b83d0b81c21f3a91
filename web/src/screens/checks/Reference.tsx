import { useEffect, useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { CALCULATOR_TOPICS } from '@dusky-spool/core/calculators';
import { type ReferenceEntry, referencePage, type ReferenceRule, referenceRules } from '@dusky-spool/core/sheets';
import { term, text, textNamed } from '../../ground/text.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { figureName, figureValue, words } from '@dusky-spool/texts';
import css from './checks.module.css';

const say = (key: string, figures: Record<string, unknown> = {}): string => words.t(`reference.${key}`, figures);

/** The engineering reference: a page a topic, opened from a calculator, a rule or a finding; it needs no connection. */
export function Reference() {
  const [query, setQuery] = useSearchParams();
  const page = CALCULATOR_TOPICS.find((one) => one === query.get('page')) ?? 'rules';
  const at = query.get('at');
  const top = useRef<HTMLElement>(null);
  useEffect(() => {
    if (at) top.current?.querySelector(`#${CSS.escape(at)}`)?.scrollIntoView({ block: 'start' });
  }, [page, at]);
  return (
    <div className={css.calculators}>
      <nav aria-label={say('title')}>
        {['rules' as const, ...CALCULATOR_TOPICS].map((one) => (
          <button
            key={one}
            type="button"
            className={one === page ? `plain ${css.calcName} chosen` : `plain ${css.calcName}`}
            aria-current={one === page}
            onClick={() => setQuery({ view: 'reference', page: one })}
          >
            {one === 'rules' ? say('rules') : text(`checks.topics.${one}`)}
          </button>
        ))}
      </nav>
      <article className={css.reference} ref={top}>
        <h3>{page === 'rules' ? say('rules') : text(`checks.topics.${page}`)}</h3>
        <p className={css.referenceIntro}>{page === 'rules' ? say('noFormula') : say(`intro.${page}`)}</p>
        {page === 'rules' ? (
          referenceRules().map(({ stage, rules }) => (
            <section key={stage}>
              <h4 className="eyebrow">{text(`checks.stages.${stage}`)}</h4>
              <RuleLines rules={rules} />
            </section>
          ))
        ) : (
          <>
            {referencePage(page).entries.map((entry) => (
              <Entry key={entry.name} entry={entry} />
            ))}
          </>
        )}
      </article>
    </div>
  );
}

function Entry({ entry }: { readonly entry: ReferenceEntry }) {
  return (
    <section id={entry.name} className={css.referenceEntry} aria-label={entry.title}>
      <h4>{entry.title}</h4>
      <dl className={css.calcSource}>
        <dt>{say('formulas')}</dt>
        <dd>
          {entry.formulas.map((formula) => (
            <code key={formula}>{formula}</code>
          ))}
          {entry.formulaIds.length > 0 && (
            <span className="faint">{say('formulaNumbers', { ids: entry.formulaIds.join(', ') })}</span>
          )}
        </dd>
        <dt>{say('source')}</dt>
        <dd>{entry.source}</dd>
        <dt>{say('holds')}</dt>
        <dd>{entry.valid}</dd>
        <dt>{say('example')}</dt>
        <dd>
          <Figures values={entry.example} />
          <ol className={css.calcSteps}>
            {entry.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
        </dd>
        <dt>{say('answer')}</dt>
        <dd>
          <Figures values={entry.answer} />
        </dd>
      </dl>
      <Cautions ids={entry.cautions} />
      {entry.rules.length > 0 && (
        <>
          <h5 className="eyebrow">{say('usedBy')}</h5>
          <RuleLines rules={entry.rules} />
        </>
      )}
      <Link className="plain link" to={`?view=calculators&calc=${entry.name}`}>
        {say('openCalculator')}
      </Link>
    </section>
  );
}

const Figures = ({ values }: { readonly values: Readonly<Record<string, unknown>> }) => (
  <p className={css.referenceFigures}>
    {Object.entries(values).map(([name, value]) => (
      <span key={name}>
        <span className="faint">{figureName(name)}</span> {figureValue(value)}
      </span>
    ))}
  </p>
);

const RuleLines = ({ rules }: { readonly rules: readonly ReferenceRule[] }) => (
  <ul className={css.referenceRules}>
    {rules.map(({ id, title, source, severity, regions, limits }) => (
      <li key={id} id={id}>
        <b>{title}</b> <span className="faint">{term(`ranks.${severity}`)}</span>
        <div className="faint">
          {source} · {regions.length > 0 ? say('regions', { regions: regions.join(', ') }) : say('everywhere')}
        </div>
        {limits.map((limit) => (
          <div key={limit.name}>
            {textNamed('checks.limits', limit.name)}: {say('limit', { ...limit })}
          </div>
        ))}
      </li>
    ))}
  </ul>
);
