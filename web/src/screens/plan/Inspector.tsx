import { ProjectProvider, useProject } from '../../state/open-project.ts';
import { formatLength } from '@dusky-spool/core/math';
import { later } from '../../ground/later.ts';
import { text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useDerived } from '../../state/derived.ts';
import { proposalOf, useProjectStore } from '../../state/project.ts';
import { useAfterFirstPaint } from '../../state/useAfterFirstPaint.ts';
import { backToPlan } from '../../canvas/inspector-focus.ts';
import { NUDGE_M } from '../../canvas/tools/nudge.ts';
import { PreviewBanner } from '../../ui/PreviewBanner.tsx';
import type { Copies } from './useCopies.ts';
import { Counts } from './Counts.tsx';
import { useEffect } from 'react';
import css from './plan.module.css';

const loadRunPanel = () => import('./RunPanel.tsx').then((module) => module.RunPanel);
const loadDevicePanel = () => import('./DevicePanel.tsx').then((module) => module.DevicePanel);
const RunPanel = later(loadRunPanel, null);
const DevicePanel = later(loadDevicePanel, null);
const RackPanel = later(() => import('../survey/ThingPanels.tsx').then((module) => module.RackPanel), null);
const SeveralDevices = later(() => import('./SeveralPanel.tsx').then((module) => module.SeveralDevices), null);
const SeveralRuns = later(() => import('./SeveralPanel.tsx').then((module) => module.SeveralRuns), null);

interface Props {
  readonly selection: Selection;
  readonly onSelect: (selection: Selection, levelId?: string) => void;
  /** Shows a wall or a ceiling in place of the plan. */
  readonly onView?: (view: string) => void;
  /** Null where no copies can be made. */
  readonly copies?: Copies | null;
}

/** What is selected, with everything that can be said and changed about it. */
export function Inspector({ selection, onSelect, onView, copies = null }: Props) {
  const project = useProject();
  // What is dragged is told by `InHand`: the panel waits until it is let go.
  const preview = useProjectStore((state) => proposalOf(state.preview));
  const shown = preview?.project ?? project;
  const { runById } = useDerived(shown);
  const painted = useAfterFirstPaint();
  useEffect(() => {
    if (!painted) return;
    // They are there before somebody chooses the first thing.
    void loadRunPanel();
    void loadDevicePanel();
  }, [painted]);
  const [id] = selection.ids;
  const run = selection.kind === 'run' && selection.ids.length === 1 ? runById.get(id) : undefined;
  const device = selection.kind === 'device' && selection.ids.length === 1 ? shown.devices[id] : undefined;
  const rack = selection.kind === 'rack' ? shown.racks[id] : undefined;
  const { units } = project.project;
  return (
    <aside className="inspector" tabIndex={0} aria-label={text('device.checks')} onKeyDownCapture={backToPlan}>
      <PreviewBanner />
      <ProjectProvider value={shown}>
        {run && <RunPanel key={run.run.id} planned={run} onSelect={onSelect} />}
        {device && <DevicePanel key={device.id} {...{ device, onSelect, onView, copies }} />}
        {rack && <RackPanel key={rack.id} rack={rack} />}
        {!run && !device && !rack && (
          <div className={css.inspectorEmpty}>
            <h2>
              {selection.ids.length > 1
                ? text('plan.selectedCount', { count: selection.ids.length })
                : text('plan.nothingSelected')}
            </h2>
            {selection.kind === 'device' && selection.ids.length > 1 && (
              <SeveralDevices key={selection.ids.join()} ids={selection.ids} {...{ onSelect, copies }} />
            )}
            {selection.kind === 'run' && selection.ids.length > 1 && (
              <SeveralRuns key={selection.ids.join()} ids={selection.ids} onSelect={onSelect} />
            )}
            {selection.ids.length === 0 && <Counts />}
            {selection.ids.length === 0 && <p>{text('plan.selectHint')}</p>}
            <p>{text('plan.moveHint', { step: formatLength(NUDGE_M[units], units) })}</p>
            <p>{text('plan.wheelHint')}</p>
            <p className="faint">{text('aid')}</p>
          </div>
        )}
      </ProjectProvider>
    </aside>
  );
}
