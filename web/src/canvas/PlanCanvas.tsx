import { boundsOf, type Cluster, type Point2 } from '@dusky-spool/core/math';
import type { GroupKind } from '@dusky-spool/core/model';
import { throughPoint } from '@dusky-spool/core/runs';
import { useCallback, useState, type KeyboardEvent, type MouseEvent, type PointerEvent } from 'react';
import { later } from '../ground/later.ts';
import { text } from '../ground/text.ts';
import { useByHand } from '../state/by-hand.ts';
import { useDerived, useDerivedStore } from '../state/derived.ts';
import { useProject } from '../state/open-project.ts';
import { deviceIds, dragOf, newRecordId, numberHolderNow, useProjectParts } from '../state/project.ts';
import { noSelection, type Selection, toggled } from '../state/selection-kinds.ts';
import { useSettings } from '../state/settings.ts';
import { BuildingLayer } from './BuildingLayer.tsx';
import { detailAt } from './device-detail.ts';
import { DeviceLayer, type DeviceOnPlan } from './DeviceLayer.tsx';
import { DragLayer } from './DragLayer.tsx';
import { HoleLayer } from './HoleLayer.tsx';
import { focusInspector } from './inspector-focus.ts';
import { LabelLayer } from './LabelLayer.tsx';
import { PlanDraft } from './PlanDraft.tsx';
import { pathThrough } from './room-drawing.ts';
import { RackLayer } from './RackLayer.tsx';
import { RunsLayer } from './RunsLayer.tsx';
import { Sheet } from './Sheet.tsx';
import { placeWithTool, SELECT_TOOL, type Tool } from './tools/plan-tool.ts';
import { UnderlayLayer } from './UnderlayLayer.tsx';
import { useBoxSelect } from './useBoxSelect.ts';
import type { CameraControl } from './useCamera.ts';
import { useDeviceDrag } from './useDeviceDrag.ts';
import { useFirstFit } from './useFirstFit.ts';
import { usePlacing } from './usePlacing.ts';
import { usePlanPicture } from './usePlanPicture.ts';
import { useRackDrag } from './useRackDrag.ts';
import { ZonesLayer } from './ZonesLayer.tsx';
import css from './canvas.module.css';

const FindingLayer = later(() => import('./FindingLayer.tsx').then((module) => module.FindingLayer), null);

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly tool: Tool;
  /** Zones of this kind are shown. */
  readonly zones: GroupKind | null;
  /** Width of the panels on the left of the sheet, px. */
  readonly leftPx: number;
  readonly control: CameraControl;
  readonly onSelect: (selection: Selection) => void;
  readonly onTool: (tool: Tool) => void;
}

/** Guides attract a device from this far on the screen, px. */
const GUIDE_PX = 8;

/** The plan of one level: what is there, and moving and placing by pointer. */
export function PlanCanvas(props: Props) {
  const { projectId, levelId, selection, tool, zones, control, onSelect } = props;
  const { camera } = control;
  const project = useProject();
  const showFindings = useSettings((state) => state.findings);
  const { preview } = useProjectParts('preview');
  const pick = usePick(selection, onSelect);
  const drag = useDeviceDrag({ project, control, selection, isOn: tool.kind === 'select', onPick: pick });
  const rackDrag = useRackDrag(control, tool.kind === 'select', onSelect);
  const isDragging = drag.draggedIds.size > 0;
  const dragged = isDragging ? dragOf(preview) : null;
  const shown = dragged ? project : (preview?.project ?? project);
  const draggedRuns = useDerivedStore((state) => state.dragged?.runs);
  const derived = useDerived(shown);
  const picture = usePlanPicture({
    project: shown,
    derived,
    levelId,
    selection,
    scale: camera.k,
    draggedIds: dragged ? drag.draggedIds : NO_IDS,
    isPreview: preview !== null,
  });
  const { levels, plainDevices, lines, labels, chosenDevices, chosenRuns, beads, sweeps } = picture;
  const box = useBoxSelect(control, tool.kind === 'select', ({ holds }) => {
    const ids = plainDevices.flatMap(({ id, x, y }) => (holds([x, y]) ? [id] : []));
    onSelect(ids.length > 0 ? { kind: 'device', ids } : noSelection);
  });
  const pointer = useToolPointer(tool, control);
  const click = usePlanClick(props);
  useFirstFit(props);
  const showCluster = useShowCluster(props);
  const pickRun = useCallback((id: string, more: boolean) => pick('run', id, more), [pick]);
  const onDeviceKey = useCallback(
    (deviceId: string, event: KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      pick('device', deviceId, event.shiftKey);
    },
    [pick],
  );
  const isEmpty = plainDevices.length === 0 && !Object.values(shown.rooms).some((room) => room.levelId === levelId);
  return (
    <Sheet
      control={control}
      className={`tool-${tool.kind}`}
      aria-label={text('plan.canvas', { level: shown.levels[levelId]?.name ?? '' })}
      onPointerDown={box.onPointerDown}
      onPointerMove={(event) => {
        if (box.isHeld()) return box.onPointerMove(event);
        pointer.onMove(event);
        drag.onPointerMove(event);
        rackDrag.onPointerMove(event);
      }}
      onPointerUp={(event) => box.onPointerUp(event) || drag.onPointerUp(event) || rackDrag.onPointerUp(event)}
      onPointerLeave={pointer.onLeave}
      onClick={(event) => {
        const ends = [drag.takesClick(), rackDrag.takesClick(), box.takesClick()];
        if (!event.defaultPrevented && !ends.includes(true)) click(event);
      }}
      onDoubleClick={tool.kind === 'select' ? focusInspector : undefined}
      dragged={
        dragged && (
          <DragLayer
            project={dragged.project}
            runs={draggedRuns}
            ids={drag.draggedIds}
            levels={levels}
            levelId={levelId}
            camera={camera}
          />
        )
      }
    >
      <UnderlayLayer projectId={projectId} project={shown} levelId={levelId} camera={camera} />
      {!isEmpty && <BuildingLayer project={shown} levelId={levelId} />}
      <RackLayer
        {...{ project: shown, levelId }}
        selected={selection.kind === 'rack' ? selection.ids : NO_RACKS}
        onPress={rackDrag.onRackPress}
        onKeyDown={(id, event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          onSelect({ kind: 'rack', ids: [id] });
        }}
      />
      {zones && <ZonesLayer project={shown} levelId={levelId} kind={zones} />}
      <RunsLayer lines={lines} selected={chosenRuns} onPick={pickRun} />
      {!dragged && <HoleLayer derived={derived} levelId={levelId} levels={levels} runIds={chosenRuns} />}
      <LabelLayer {...labels} levelId={levelId} camera={camera} />
      <DeviceLayer
        devices={beads.single}
        clusters={beads.clusters}
        hidden={dragged ? drag.draggedIds : NO_IDS}
        selected={chosenDevices}
        detail={detailAt(camera.k)}
        onPointerDown={drag.onDevicePress}
        onKeyDown={onDeviceKey}
        onCluster={showCluster}
      />
      {showFindings && !dragged && <FindingLayer project={shown} derived={derived} levelId={levelId} />}
      {sweeps.map(({ id, outline }) => (
        <path key={id} className={css.sweep} d={pathThrough(outline, true)} />
      ))}
      {box.outline && <path className="box-select" d={pathThrough(box.outline, true)} />}
      {pointer.at && <PlanDraft {...pointer.at} tool={tool} levelId={levelId} guideM={GUIDE_PX / camera.k} />}
    </Sheet>
  );
}

const NO_IDS: ReadonlySet<string> = new Set();
const NO_RACKS: readonly string[] = [];

/** Selects one thing, or with Shift adds it to those of its kind or takes it away. */
function usePick(selection: Selection, onSelect: Props['onSelect']) {
  return useCallback(
    (kind: 'device' | 'run', id: string, more: boolean) => {
      if (!more || selection.kind !== kind) return onSelect({ kind, ids: [id] });
      onSelect(toggled(selection, id));
    },
    [selection, onSelect],
  );
}

/** Where the pointer is while a tool is used; Alt places freely. */
function useToolPointer(tool: Tool, control: CameraControl) {
  const [at, setAt] = useState<{ readonly at: Point2; readonly isFree: boolean } | null>(null);
  return {
    at,
    onMove: ({ clientX, clientY, altKey }: PointerEvent) => {
      if (tool.kind !== 'select') setAt({ at: control.toWorld(clientX, clientY), isFree: altKey });
    },
    onLeave: () => setAt(null),
  };
}

/** A click: a point of the route that is edited, a placement, or nothing selected any more. */
function usePlanClick({ levelId, tool, control, onSelect, onTool }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const place = usePlacing(onSelect);
  return (event: MouseEvent) => {
    const at = control.toWorld(event.clientX, event.clientY);
    const routedId = useByHand.getState().runId;
    if (routedId) return void edit(text('way.byHandPoint'), throughPoint(project, routedId, levelId, at));
    if (tool.kind === 'select') {
      if (!(event.target as Element).closest(`.${css.device}, .run`)) onSelect(noSelection);
      return;
    }
    const placement = placeWithTool(project, tool, {
      levelId,
      at,
      isFree: event.altKey,
      guideM: GUIDE_PX / control.camera.k,
      numberHolder: numberHolderNow(),
      ids: deviceIds,
      newId: newRecordId,
    });
    if (!placement) return;
    const isMade = place(placement.name, placement.placed);
    // The next one of the type is a click away: Escape lays the tool down. Of racks and risers a level has one or two.
    if (isMade && (tool.kind === 'rack' || tool.kind === 'riser')) onTool(SELECT_TOOL);
  };
}

function useShowCluster({ control, leftPx }: Props) {
  return useCallback(
    ({ members }: Cluster<DeviceOnPlan>) =>
      control.fit(boundsOf(members.map(({ device }): Point2 => [device.x, device.y])), leftPx),
    [control, leftPx],
  );
}
