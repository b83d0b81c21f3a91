import { useProject } from '../state/open-project.ts';
import { buildingOf, levelsFromBelow, projectBounds, roomAt } from '@dusky-spool/core/house';
import {
  applyTemplate,
  coverRoom,
  deviceTitle,
  type Guided,
  guideTo,
  mountTypeOf,
  moveDevices,
  placeDevice,
  placeField,
  sweepOf,
  wallPlaceOf,
  withPlateMates,
} from '@dusky-spool/core/devices';
import type { Overlap } from '@dusky-spool/core/calculators';
import { boundsOf, type Cluster, inBounds, type Point2 } from '@dusky-spool/core/math';
import type { Device, DeviceType, GroupKind, RoomTemplate } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { later } from '../ground/later.ts';
import { text } from '../ground/text.ts';
import { useSettings } from '../state/settings.ts';
import { toHandGrid } from './nudge.ts';
import { noSelection, type Selection } from '../state/selection-kinds.ts';
import { useDerived, useDerivedStore } from '../state/derived.ts';
import { throughPoint } from '@dusky-spool/core/runs';
import { useByHand } from '../state/by-hand.ts';
import { deviceIds, dragOf, numberHolderNow, useProjectParts } from '../state/project.ts';
import { BeadShape } from '../ui/Bead.tsx';
import { BuildingLayer } from './BuildingLayer.tsx';
import { detailAt } from './device-detail.ts';
import { beadClusters } from './bead-clusters.ts';
import { DeviceLayer, type DeviceOnPlan } from './DeviceLayer.tsx';
import { HeldLayer } from './HeldLayer.tsx';
import { HoleLayer } from './HoleLayer.tsx';
import { LabelLayer } from './LabelLayer.tsx';
import { boxPath, pathThrough } from './room-drawing.ts';
import { linesOf } from './route-drawing.ts';
import { RunsLayer } from './RunsLayer.tsx';
import { Sheet } from './Sheet.tsx';
import { ZonesLayer } from './ZonesLayer.tsx';
import { UnderlayLayer } from './UnderlayLayer.tsx';
import type { CameraControl } from './useCamera.ts';
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

const FindingLayer = later(() => import('./FindingLayer.tsx').then((module) => module.FindingLayer), null);

/** What a click on the plan does now. */
export type Tool =
  | { readonly kind: 'select' }
  | { readonly kind: 'place'; readonly type: DeviceType; readonly field?: Field }
  | { readonly kind: 'template'; readonly template: RoomTemplate };

/** How an even field of ceiling speakers is laid out. */
export interface Field {
  readonly overlap: Overlap;
  readonly ear: 'seated' | 'standing';
}

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

interface Drag {
  readonly ids: readonly string[];
  readonly from: Point2;
  readonly moved: boolean;
}

const NOBODY: ReadonlySet<string> = new Set();
const DRAG_FROM_PX = 4;
/** Devices in the hand are worked out no more often than this, ms. */
const SOONEST_MS = 8;
/** A place is drawn to a guide this near on the screen. */
const GUIDE_PX = 8;

/** The plan of one level: what is there, and moving and placing by pointer. */
export function PlanCanvas({ projectId, levelId, selection, tool, zones, leftPx, control, onSelect, onTool }: Props) {
  const document = useProject();
  const showFindings = useSettings((state) => state.findings);
  const { edit, drag: showDrag, preview } = useProjectParts('edit', 'drag', 'preview');
  const drag = useRef<Drag | null>(null);
  const frame = useRef(0);
  /** Where the pointer was last heard while it drags. */
  const draggedTo = useRef<readonly [number, number]>([0, 0]);
  /** When devices in the hand were last shown. */
  const shownAt = useRef(0);
  // The pointer is captured by the sheet while a device is held, so the click that ends it lands there too.
  const heldDevice = useRef(false);
  const [pointer, setPointer] = useState<Point2 | null>(null);
  const [free, setFree] = useState(false);
  /** Two corners of the box that is being drawn over devices. */
  const [box, setBox] = useState<readonly [Point2, Point2] | null>(null);
  /** Devices in the hand; the plan below them stays as it was until they are let go. */
  const [heldIds, setHeldIds] = useState<ReadonlySet<string>>(NOBODY);
  const inHand = heldIds.size > 0 ? dragOf(preview) : null;
  const shown = inHand ? document : (preview?.document ?? document);
  const heldRuns = useDerivedStore(({ dragged }) => dragged?.runs);
  const derived = useDerived(shown);
  const levels = useMemo(() => levelsFromBelow({ levels: shown.levels }), [shown.levels]);

  const devices = useMemo(
    () =>
      onLevel(shown, 'devices', levelId).map((device) => {
        const type = shown.deviceTypes[device.typeId];
        const room = device.roomId === null ? '' : `, ${shown.rooms[device.roomId].name}`;
        const pale = device.belongsTo !== null && !shown.features[device.belongsTo]?.chosen;
        return { device, type, pale, label: `${type.code} ${deviceTitle(device, type)}${room}` };
      }),
    [shown, levelId],
  );
  const plainDevices = useMemo(() => devices.map(({ device }) => device), [devices]);
  const lines = useMemo(
    () => linesOf(derived.runs, shown.deviceTypes, levels, levelId),
    [derived, shown.deviceTypes, levels, levelId],
  );
  // Words stay where they are while something is dragged through them.
  const words = useHeld(
    useMemo(() => ({ document: shown, devices: plainDevices, lines }), [shown, plainDevices, lines]),
    preview !== null,
  );
  const chosenDevices = useMemo(
    () =>
      new Set(
        selection.kind === 'device' ? selection.ids : selection.ids.flatMap((id) => derived.runById.get(id)?.device.id ?? []),
      ),
    [selection, derived],
  );
  const chosenRuns = useMemo(
    () =>
      new Set(
        selection.kind === 'run'
          ? selection.ids
          : selection.ids.flatMap((id) => (derived.runsByDevice.get(id) ?? []).map(({ run }) => run.id)),
      ),
    [selection, derived],
  );
  // Chosen runs are drawn last, so that the thread lies on top.
  const orderedLines = useMemo(
    () => [...lines].sort((a, b) => Number(chosenRuns.has(a.runId)) - Number(chosenRuns.has(b.runId))),
    [lines, chosenRuns],
  );

  const beads = useMemo(() => beadClusters(devices, control.camera.k, chosenDevices), [devices, control.camera.k, chosenDevices]);
  const showCluster = useCallback(
    ({ members }: Cluster<DeviceOnPlan>) =>
      control.fit(boundsOf(members.map(({ device }): Point2 => [device.x, device.y])), leftPx),
    [control, leftPx],
  );
  /** What the mounts of chosen devices sweep. */
  const sweeps = useMemo(
    () =>
      [...chosenDevices].slice(0, 20).flatMap((id) => {
        const device = shown.devices[id];
        const mount = device && mountTypeOf(shown, device);
        const wall = mount?.holds && device.levelId === levelId ? wallPlaceOf(shown, device)?.wall : undefined;
        const sweep = wall && sweepOf(device, shown.deviceTypes[device.typeId], mount ?? null, wall);
        return sweep ? [{ id, outline: sweep.outline }] : [];
      }),
    [chosenDevices, shown, levelId],
  );
  const holding = inHand !== null;
  const restingLines = useMemo(
    () =>
      holding ? orderedLines.filter(({ runId }) => !heldIds.has(derived.runById.get(runId)?.device.id ?? '')) : orderedLines,
    [holding, orderedLines, heldIds, derived],
  );

  const fitted = useRef('');
  useEffect(() => {
    if (!control.ready || fitted.current === projectId) return;
    fitted.current = projectId;
    control.fit(projectBounds(document, levelId) ?? projectBounds(document), leftPx);
  }, [projectId, document, levelId, control, leftPx]);

  const pick = useCallback(
    (kind: 'device' | 'run', id: string, more: boolean) => {
      if (!more || selection.kind !== kind) return onSelect({ kind, ids: [id] });
      const ids = selection.ids.includes(id) ? selection.ids.filter((other) => other !== id) : [...selection.ids, id];
      onSelect(ids.length === 0 ? noSelection : { kind, ids });
    },
    [selection, onSelect],
  );
  const pickRun = useCallback((id: string, more: boolean) => pick('run', id, more), [pick]);

  const startDrag = useCallback(
    (deviceId: string, event: PointerEvent) => {
      if (tool.kind !== 'select' || event.button !== 0) return;
      event.stopPropagation();
      heldDevice.current = true;
      const already = selection.kind === 'device' && selection.ids.includes(deviceId);
      if (event.shiftKey || !already) pick('device', deviceId, event.shiftKey);
      if (event.shiftKey) return;
      control.sheet.current?.setPointerCapture(event.pointerId);
      drag.current = {
        ids: withPlateMates(document, already ? [deviceId, ...selection.ids.filter((id) => id !== deviceId)] : [deviceId]),
        from: control.toWorld(event.clientX, event.clientY),
        moved: false,
      };
    },
    [tool.kind, selection, pick, control, document],
  );

  const operationsOf = (from: Point2, to: Point2, ids: readonly string[]) => {
    // The one that was taken hold of falls on the grid; the others keep their places beside it.
    const first = document.devices[ids[0]];
    // Somebody else may have taken it away meanwhile.
    if (!first) return moveDevices(document, [{ deviceId: ids[0], to }]);
    const [x, y] = toHandGrid([first.x + to[0] - from[0], first.y + to[1] - from[1]], document.project.units);
    const [dx, dy] = [x - first.x, y - first.y];
    return moveDevices(
      document,
      ids.flatMap((deviceId) => {
        const device = document.devices[deviceId];
        return device ? [{ deviceId, to: [device.x + dx, device.y + dy] as const }] : [];
      }),
    );
  };

  const onPointerDown = (event: PointerEvent) => {
    if (tool.kind !== 'select' || !event.shiftKey || event.button !== 0) return;
    control.sheet.current?.setPointerCapture(event.pointerId);
    const at = control.toWorld(event.clientX, event.clientY);
    setBox([at, at]);
  };

  const onPointerMove = (event: PointerEvent) => {
    if (box) return setBox([box[0], control.toWorld(event.clientX, event.clientY)]);
    const at = control.toWorld(event.clientX, event.clientY);
    if (tool.kind !== 'select') {
      setPointer(at);
      setFree(event.altKey);
    }
    dragTo(event.clientX, event.clientY);
  };

  /** Shows devices in the hand where the pointer is. */
  const dragTo = (clientX: number, clientY: number) => {
    const current = drag.current;
    if (!current || (draggedTo.current[0] === clientX && draggedTo.current[1] === clientY)) return;
    draggedTo.current = [clientX, clientY];
    const at = control.toWorld(clientX, clientY);
    const far = Math.hypot(at[0] - current.from[0], at[1] - current.from[1]) * control.camera.k >= DRAG_FROM_PX;
    if (!far && !current.moved) return;
    if (!current.moved) setHeldIds(new Set(current.ids));
    drag.current = { ...current, moved: true };
    cancelAnimationFrame(frame.current);
    const show = () => {
      shownAt.current = performance.now();
      const operations = operationsOf(current.from, at, current.ids);
      if (operations.ok) showDrag(operations.value);
    };
    // Moves come once a picture as a rule, and are shown in that picture; one that comes sooner waits for the next.
    if (performance.now() - shownAt.current > SOONEST_MS) show();
    else frame.current = requestAnimationFrame(show);
  };
  // The pointer is heard as it moves, not first when the next picture is due: the worker has answered by then as a rule.
  const dragToNow = useRef(dragTo);
  useEffect(() => {
    dragToNow.current = dragTo;
  });
  useEffect(() => {
    const sheet = control.sheet.current;
    const moved = (event: Event) => dragToNow.current((event as MouseEvent).clientX, (event as MouseEvent).clientY);
    sheet?.addEventListener('pointerrawupdate', moved);
    return () => sheet?.removeEventListener('pointerrawupdate', moved);
  }, [control.sheet, control.ready]);

  const onPointerUp = (event: PointerEvent) => {
    if (box) {
      setBox(null);
      heldDevice.current = true;
      const ids = inBox(plainDevices, box);
      return onSelect(ids.length > 0 ? { kind: 'device', ids } : noSelection);
    }
    const current = drag.current;
    drag.current = null;
    setHeldIds(NOBODY);
    if (!current) return;
    cancelAnimationFrame(frame.current);
    if (current.moved)
      edit(text('edit.move'), operationsOf(current.from, control.toWorld(event.clientX, event.clientY), current.ids));
  };

  const onClick = (event: React.MouseEvent) => {
    const held = heldDevice.current;
    heldDevice.current = false;
    if (event.defaultPrevented || held) return;
    const at = control.toWorld(event.clientX, event.clientY);
    const led = useByHand.getState().runId;
    if (led) {
      edit(text('way.byHandPoint'), throughPoint(document, led, levelId, at));
      return;
    }
    const room = tool.kind === 'select' ? undefined : roomAt(buildingOf(document), levelId, at);
    if (tool.kind === 'template' || (tool.kind === 'place' && tool.field)) {
      if (!room) return;
      const placed =
        tool.kind === 'template'
          ? applyTemplate(document, room.id, tool.template, deviceIds)
          : placeField(document, room.id, tool.type.id, tool.field!.overlap, tool.field!.ear, deviceIds);
      const name = tool.kind === 'template' ? tool.template.name : tool.type.name;
      if (edit(text('edit.place', { name: name.toLowerCase() }), placed.ok ? placed.value.operations : placed) && placed.ok) {
        onSelect({ kind: 'device', ids: placed.value.devices.map(({ id }) => id) });
        if (!event.shiftKey) onTool({ kind: 'select' });
      }
    } else if (tool.kind === 'place') {
      const guided = guidedTo(at, event.altKey);
      const placed = placeDevice(
        document,
        {
          typeId: tool.type.id,
          levelId,
          at: guided.guides.length > 0 ? guided.at : toHandGrid(at, document.project.units),
          holder: numberHolderNow(),
        },
        { device: deviceIds.device(), run: deviceIds.run },
      );
      if (
        edit(text('edit.place', { name: tool.type.name.toLowerCase() }), placed.ok ? placed.value.operations : placed) &&
        placed.ok
      ) {
        onSelect({ kind: 'device', ids: [placed.value.device.id] });
        if (!event.shiftKey) onTool({ kind: 'select' });
      }
    } else if (!(event.target as Element).closest('.device, .run')) {
      onSelect(noSelection);
    }
  };

  const onDeviceKey = useCallback(
    (deviceId: string, event: KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      pick('device', deviceId, event.shiftKey);
    },
    [pick],
  );

  /** Alt places freely. */
  const guidedTo = (at: Point2, freely: boolean): Guided =>
    tool.kind === 'place' && !freely
      ? guideTo(document, levelId, tool.type, at, GUIDE_PX / control.camera.k)
      : { at, guides: [] };
  const guided = pointer && tool.kind === 'place' && !tool.field ? guidedTo(pointer, free) : null;
  const over = pointer && tool.kind !== 'select' ? roomAt(buildingOf(document), levelId, pointer) : undefined;
  const field =
    over && tool.kind === 'place' && tool.field
      ? coverRoom(document, over.id, tool.type.id, tool.field.overlap, tool.field.ear)
      : null;

  const empty = devices.length === 0 && !Object.values(shown.rooms).some((room) => room.levelId === levelId);
  return (
    <Sheet
      control={control}
      className={`tool-${tool.kind}`}
      aria-label={text('plan.canvas', { level: shown.levels[levelId]?.name ?? '' })}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerLeave={() => setPointer(null)}
      onClick={onClick}
      held={
        inHand && (
          <HeldLayer
            document={inHand.document}
            runs={heldRuns}
            ids={heldIds}
            levels={levels}
            levelId={levelId}
            camera={control.camera}
          />
        )
      }
    >
      <UnderlayLayer projectId={projectId} document={shown} levelId={levelId} camera={control.camera} />
      {!empty && <BuildingLayer document={shown} levelId={levelId} />}
      {zones && <ZonesLayer document={shown} levelId={levelId} kind={zones} />}
      <RunsLayer lines={restingLines} selected={chosenRuns} onPick={pickRun} />
      {!inHand && <HoleLayer derived={derived} levelId={levelId} levels={levels} runIds={chosenRuns} />}
      <LabelLayer {...words} levelId={levelId} camera={control.camera} />
      <DeviceLayer
        devices={beads.single}
        clusters={beads.clusters}
        hidden={inHand ? heldIds : NOBODY}
        selected={chosenDevices}
        detail={detailAt(control.camera.k)}
        onPointerDown={startDrag}
        onKeyDown={onDeviceKey}
        onCluster={showCluster}
      />
      {showFindings && !inHand && <FindingLayer document={shown} derived={derived} levelId={levelId} />}
      {sweeps.map(({ id, outline }) => (
        <path key={id} className="sweep" d={pathThrough(outline, true)} />
      ))}
      {box && <path className="box-select" d={boxPath(...box)} />}
      {guided?.guides.map((guide) => (
        <path key={guide.axis} className={`guide ${guide.kind}`} d={`M${guide.a[0]} ${guide.a[1]}L${guide.b[0]} ${guide.b[1]}`} />
      ))}
      {tool.kind === 'template' && over && (
        <path className="template-room" d={`M${over.polygon.map((p) => p.join(' ')).join('L')}Z`} />
      )}
      {field?.ok &&
        tool.kind === 'place' &&
        field.value.at.map(([x, y]) => (
          <g key={`${x},${y}`} transform={`translate(${x},${y})`} className="ghost">
            <circle className="coverage" r={field.value.discM / 2} />
            <g className="upright">
              <BeadShape code={tool.type.code} system={tool.type.system} facingRad={null} />
            </g>
          </g>
        ))}
      {guided && tool.kind === 'place' && (
        <g transform={`translate(${guided.at[0]},${guided.at[1]})`} className="ghost">
          <g className="upright">
            <BeadShape code={tool.type.code} system={tool.type.system} facingRad={null} />
          </g>
        </g>
      )}
    </Sheet>
  );
}

/** Devices whose middle lies in a box. */
const inBox = (devices: readonly Device[], corners: readonly [Point2, Point2]): string[] => {
  const bounds = boundsOf(corners)!;
  return devices.flatMap(({ id, x, y }) => (inBounds(bounds, [x, y]) ? [id] : []));
};

/** The value as it was before `hold` began. */
function useHeld<T>(value: T, hold: boolean): T {
  const [held, setHeld] = useState(value);
  if (hold) return held;
  if (held !== value) setHeld(value);
  return value;
}
