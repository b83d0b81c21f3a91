import { Select } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { HOTKEYS } from '../canvas/useKeys.ts';
import { useRight } from '../ground/api/session.ts';
import { text } from '../ground/text.ts';
import { useDerived } from '../state/derived.ts';
import { useProject } from '../state/open-project.ts';
import { useProjectParts } from '../state/project.ts';
import { useSettings } from '../state/settings.ts';
import { useTour } from '../state/tour.ts';
import { type FinderAct, type FinderTarget, finderTargets } from './finder-targets.ts';
import css from './app.module.css';

/** Every edit would have hundreds of names made for nobody. */
const CLOSED: readonly FinderTarget[] = [];

/** Finds things, places and acts by a few letters; Ctrl K leads to it from anywhere. */
export function Finder({ projectId }: { readonly projectId: string }) {
  const project = useProject();
  const navigate = useNavigate();
  const { stage = 'devices' } = useParams();
  const [params] = useSearchParams();
  const levelId = params.get('level');
  const mayPlan = useRight('plan');
  const { rows } = useDerived(project);
  const { undo, redo } = useProjectParts('undo', 'redo');
  const { dusk, findingPanel, set } = useSettings();
  const [isOpen, setIsOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const targets = useMemo(
    () => (isOpen ? finderTargets(project, rows, { projectId, stage, levelId, mayPlan }) : CLOSED),
    [isOpen, project, rows, projectId, stage, levelId, mayPlan],
  );
  const goOf = useMemo(() => new Map(targets.map(({ label, go }) => [label, go])), [targets]);
  // Also while something is typed elsewhere: it is the way out of there.
  useHotkeys('mod_k', () => box.current?.querySelector('input')?.focus(), {
    ...HOTKEYS,
    ignoreEventWhen: (event) => event.defaultPrevented,
    // Heard before a field that keeps its keys to itself hears it.
    eventListenerOptions: { capture: true },
  });
  const acts: Readonly<Record<FinderAct, () => void>> = {
    undo,
    redo,
    theme: () => set({ dusk: !dusk }),
    tour: useTour.getState().start,
    findings: () => set({ findingPanel: !findingPanel }),
  };
  const take = (label: string | null) => {
    const go = label === null ? undefined : goOf.get(label);
    if (!go) return;
    setIsOpen(false);
    box.current?.querySelector('input')?.blur();
    if ('act' in go) acts[go.act]();
    else void navigate(go.to);
  };
  useEffect(() => {
    // Escape leaves the box with what was typed.
    const input = box.current?.querySelector('input');
    const onKey = (event: KeyboardEvent) => event.key === 'Escape' && input?.blur();
    input?.addEventListener('keydown', onKey);
    return () => input?.removeEventListener('keydown', onKey);
  }, []);
  return (
    <div ref={box} className={css.finder}>
      <Select
        id="finder"
        className={css.finderBox}
        size="small"
        open={isOpen}
        onOpenChange={setIsOpen}
        showSearch={{ filterOption: (typed, option) => matches(String(option?.value ?? ''), typed) }}
        value={null}
        placeholder={text('header.find')}
        aria-label={text('header.find')}
        options={targets.map(({ label }) => ({ value: label, label }))}
        notFoundContent={text('header.nothingFound')}
        onSelect={take}
      />
    </div>
  );
}

/** Every word that was typed is somewhere in the label. */
const matches = (label: string, typed: string): boolean => {
  const lower = label.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => lower.includes(word));
};
