import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { UnitSystem } from '@dusky-spool/core/math';
import type { Cure } from '@dusky-spool/core/rules';
import { useCures } from '../state/derived.ts';
import { text } from '../ground/text.ts';
import { proposalOf, useProjectParts, useProjectStore } from '../state/project.ts';
import { RankMark } from './RankMark.tsx';
import { cureSentence, findingSentence } from '@dusky-spool/texts';
import { Button } from 'antd';
import { type ReactNode, useEffect, useRef } from 'react';
import css from './ui.module.css';

interface Props {
  readonly finding: DerivedFinding;
  readonly units: UnitSystem;
  readonly onShow?: () => void;
  /** A cure is shown on the plan while the pointer or the focus is on its button, and made by a press. */
  readonly atOnce?: boolean;
  /** What stands under it. */
  readonly children?: ReactNode;
}

/** One finding: what is wrong in a sentence, and each cure as a button that previews it on the plan. */
export function FindingCard({ finding, units, onShow, atOnce = false, children }: Props) {
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
            return atOnce ? (
              <CureButton key={words} words={words} title={number ? `${number}: ${words}` : words} cure={cure} onShow={onShow} />
            ) : (
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

/** The pointer rests so long on a cure before it is shown, ms. */
const HOVER_MS = 200;

interface CureProps {
  readonly words: string;
  readonly title: string;
  readonly cure: Cure;
  readonly onShow?: () => void;
}

function CureButton({ words, title, cure, onShow }: CureProps) {
  const { propose, endPreview, edit } = useProjectParts('propose', 'endPreview', 'edit');
  const waiting = useRef(0);
  const show = () => {
    window.clearTimeout(waiting.current);
    waiting.current = window.setTimeout(() => propose(title, cure.operations), HOVER_MS);
  };
  const hide = () => {
    window.clearTimeout(waiting.current);
    if (proposalOf(useProjectStore.getState().preview)?.title === title) endPreview();
  };
  // A card that goes takes what it shows with it.
  useEffect(() => () => window.clearTimeout(waiting.current), []);
  return (
    <Button
      size="small"
      title={text('checks.cureTitle')}
      onPointerEnter={show}
      onPointerLeave={hide}
      onFocus={show}
      onBlur={hide}
      onClick={() => {
        hide();
        // What it did is seen where it was done.
        onShow?.();
        edit(title, cure.operations);
      }}
    >
      {words}
    </Button>
  );
}

/** What a finding speaks of: the number of a run, or the name of what it is about. */
function nameOf({ figures }: DerivedFinding): string {
  const names = [figures.number, figures.way, figures.bundle, figures.rack, figures.riser, figures.level, figures.device];
  return (names.find((name) => typeof name === 'string' && name !== '') as string | undefined) ?? text('stage.inspect.show');
}
