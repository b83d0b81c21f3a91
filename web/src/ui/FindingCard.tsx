import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { UnitSystem } from '@dusky-spool/core/math';
import { useCures } from '../state/derived.ts';
import { text } from '../ground/text.ts';
import { useProjectStore } from '../state/project.ts';
import { RankMark } from './RankMark.tsx';
import { cureSentence, findingSentence } from '@dusky-spool/texts';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import css from './ui.module.css';

interface Props {
  readonly finding: DerivedFinding;
  readonly units: UnitSystem;
  readonly onShow?: () => void;
  /** What stands under it. */
  readonly children?: ReactNode;
}

/** One finding: what is wrong in a sentence, and each cure as a button that previews it on the plan (the inspector applies it). */
export function FindingCard({ finding, units, onShow, children }: Props) {
  const propose = useProjectStore((state) => state.propose);
  const cures = useCures(finding);
  const number = nameOf(finding);
  return (
    <article className={`finding ${finding.rank}`}>
      <header>
        <RankMark rank={finding.rank} />
        {onShow ? (
          <button type="button" className={`plain id ${css.findingRun}`} onClick={onShow}>
            {number}
          </button>
        ) : (
          <span className={`id ${css.findingRun}`}>{number}</span>
        )}
      </header>
      <p>{findingSentence(finding, units)}</p>
      {cures.length > 0 && (
        <div className={css.cures}>
          {cures.map((cure) => {
            const words = cureSentence(cure, units);
            return (
              <Button
                key={words}
                size="small"
                onClick={() => {
                  onShow?.();
                  propose(number ? `${number}: ${words}` : words, cure.operations);
                }}
              >
                {words}
              </Button>
            );
          })}
        </div>
      )}
      {children}
    </article>
  );
}

/** What a finding speaks of: the number of a run, or the name of what it is about. */
function nameOf({ figures }: DerivedFinding): string {
  const names = [figures.number, figures.way, figures.bundle, figures.rack, figures.riser, figures.level, figures.device];
  return (names.find((name) => typeof name === 'string' && name !== '') as string | undefined) ?? text('stage.inspect.show');
}
