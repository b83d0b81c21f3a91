import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { UnitSystem } from '@dusky-spool/core/math';
import { CHECKS, findingKey } from '@dusky-spool/core/rules';
import { Button } from 'antd';
import { useState } from 'react';
import { term, text } from '../ground/text.ts';
import { askCureAll } from '../state/derived.ts';
import { proposalOf, useProjectParts } from '../state/project.ts';
import { FindingCard } from './FindingCard.tsx';
import { SmallButton } from './SmallButton.tsx';
import css from './ui.module.css';

interface Props {
  readonly findings: readonly DerivedFinding[];
  readonly units: UnitSystem;
  readonly onShow: (finding: DerivedFinding) => void;
  readonly onClose: () => void;
}

/** Errors and warnings of one rule and one kind. */
interface Kind {
  readonly key: string;
  readonly title: string;
  readonly findings: readonly DerivedFinding[];
}

const TITLES = new Map(CHECKS.map(({ id, title }) => [id, title]));

function kindsOf(findings: readonly DerivedFinding[]): Kind[] {
  const kinds = new Map<string, DerivedFinding[]>();
  for (const finding of findings) {
    const key = `${finding.rank} ${finding.check} ${finding.code}`;
    kinds.set(key, [...(kinds.get(key) ?? []), finding]);
  }
  return [...kinds].map(([key, of]) => ({ key, title: TITLES.get(of[0].check) ?? '', findings: of }));
}

/** Everything that is found at the moment, the worst first, beside the plan: the place and what a cure does stay in sight. */
export function FindingPanel({ findings, units, onShow, onClose }: Props) {
  const told = (['stop', 'look'] as const).flatMap((rank) => findings.filter((finding) => finding.rank === rank));
  const kinds = kindsOf(told);
  return (
    <aside
      className={css.findingPanel}
      aria-label={text('header.findings')}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <header>
        <h2>{text('header.findings')}</h2>
        <span className="grow" />
        <SmallButton onClick={onClose}>{text('close')}</SmallButton>
      </header>
      <div className={css.findingList}>
        {told.length === 0 && <p>{text('header.noFindings')}</p>}
        {kinds.map(({ key, title, findings: of }) => (
          <div key={key} role="group" aria-label={title}>
            {of.length > 1 && <KindHead title={title} findings={of} />}
            {of.map((finding) => (
              <FindingCard key={findingKey(finding)} finding={finding} units={units} atOnce onShow={() => onShow(finding)} />
            ))}
          </div>
        ))}
        {findings.length > told.length && (
          <p className="faint">
            {findings.length - told.length} {term('ranks.fine').toLowerCase()}. {text('aid')}
          </p>
        )}
      </div>
    </aside>
  );
}

/** Several findings of a kind: one button shows what fixes all of them, another makes it. */
function KindHead({ title, findings }: Pick<Kind, 'title' | 'findings'>) {
  const { preview, propose, edit, endPreview } = useProjectParts('preview', 'propose', 'edit', 'endPreview');
  const [fixed, setFixed] = useState<number | null>(null);
  const what = text('checks.fixAllOf', { count: findings.length, title });
  const shown = proposalOf(preview)?.title === what ? proposalOf(preview) : null;
  const show = async () => {
    const cured = await askCureAll(findings.map(({ ref }) => ref));
    if (!cured) return;
    setFixed(cured.fixed);
    if (cured.fixed > 0) propose(what, cured.operations);
  };
  return (
    <div className={css.kindHead}>
      <b>{title}</b>
      {shown ? (
        <span>
          <Button size="small" type="primary" onClick={() => edit(what, shown.operations)}>
            {text('checks.applyAll', { count: fixed ?? 0 })}
          </Button>{' '}
          <Button size="small" onClick={endPreview}>
            {text('cancel')}
          </Button>
        </span>
      ) : (
        <Button size="small" onClick={() => void show()}>
          {text('checks.fixAll', { count: findings.length })}
        </Button>
      )}
      {fixed === 0 && !shown && <span className="faint">{text('checks.fixNone')}</span>}
    </div>
  );
}
