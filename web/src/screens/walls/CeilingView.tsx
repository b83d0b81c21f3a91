import { toggleJoist } from '../../commands/toggle-joist.ts';
import { useProject } from '../../state/open-project.ts';
import { attachmentOf, bayAt, joistsOf } from '@dusky-spool/core/house';
import {
  coverRoom,
  faceOf,
  type Guide,
  guideTo,
  legalPlaces,
  mountTypeOf,
  moveDevices,
  placeAll,
  placeField,
  rankOf,
  withPlateMates,
} from '@dusky-spool/core/devices';
import { boundsOf, formatLength, type Point2, pointInPolygon, rotate2 } from '@dusky-spool/core/math';
import type { DeviceType } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { term, text } from '../../ground/text.ts';
import type { Field } from '../../canvas/PlanCanvas.tsx';
import { pathThrough } from '../../canvas/room-drawing.ts';
import { toHandGrid } from '../../canvas/nudge.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { deviceIds, newRecordId, useProjectParts } from '../../state/project.ts';
import { BeadShape } from '../../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { CeilingDrawing } from './CeilingDrawing.tsx';
import { labelFaces } from './face-labels.ts';
import { SurfaceHeader } from './SurfaceHeader.tsx';
import { type Grip, useSurfaceDrag } from './useSurfaceDrag.ts';
import { useSheetSize } from './useSheetSize.ts';
import { FaceShape } from './WallDevices.tsx';
import { useMemo, useRef, useState } from 'react';
import { Segmented } from 'antd';

interface Props {
  readonly roomId: string;
  readonly selection: Selection;
  readonly stage: 'survey' | 'devices';
  /** The type that a click places. */
  readonly armed?: DeviceType | null;
  /** Lays an even field of it into the room instead of one. */
  readonly field?: Field;
  readonly onPlaced?: (again: boolean) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onView: (view: string | null) => void;
}

const GUIDE_PX = 8;

/** A room's ceiling as it lies over the plan: joists, beams, lights, vents, and what hangs there, which is placed and moved here. */
export function CeilingView({ roomId, selection, stage, armed = null, field, onPlaced, onSelect, onView }: Props) {
  const document = useProject();
  const { edit, preview } = useProjectParts('edit', 'preview');
  const [mode, setMode] = useState<'look' | 'joist' | 'no-joist'>('look');
  const svg = useRef<SVGSVGElement>(null);
  const shown = preview?.document ?? document;
  const room = shown.rooms[roomId];
  const { units } = document.project;
  const joists = useMemo(() => joistsOf(shown, room), [shown, room]);
  const sheet = useSheetSize(svg);
  const b = boundsOf(room.polygon as Point2[])!;
  const k = Math.min((sheet.width - 60) / (b.maxX - b.minX), (sheet.height - 50) / (b.maxY - b.minY));
  const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2];
  const chosen = useMemo(() => new Set(selection.kind === 'device' ? selection.ids : []), [selection]);
  const mayPlace = mode === 'look' && armed !== null && attachmentOf(armed) === 'ceiling' ? armed : null;
  const world = (event: { clientX: number; clientY: number }): Point2 => {
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return [(p.x - sheet.width / 2) / k + cx, -(p.y - sheet.height / 2) / k + cy];
  };
  const inRoom = (p: readonly [number, number]) => pointInPolygon(p, room.polygon as Point2[], 0.05);
  const devices = onLevel(shown, 'devices', room.levelId).filter(
    (d) => d.roomId === roomId && attachmentOf(shown.deviceTypes[d.typeId]) === 'ceiling',
  );
  const guided = (type: DeviceType, p: Point2, without: readonly string[], freely: boolean) =>
    freely ? { at: p, guides: [] } : guideTo(document, room.levelId, type, p, GUIDE_PX / k, new Set(without));
  const offsetAt = (p: Point2) => rotate2(p, -room.joistAngleRad)[1];

  const dragged = (grip: Grip<Point2>, to: Point2, freely: boolean) => {
    const first = document.devices[grip.ids[0]];
    const wanted: Point2 = [first.x + to[0] - grip.from[0], first.y + to[1] - grip.from[1]];
    const next = guided(document.deviceTypes[first.typeId], wanted, grip.ids, freely);
    const aim = next.guides.length > 0 ? next.at : toHandGrid(next.at, units);
    const [dx, dy] = [aim[0] - first.x, aim[1] - first.y];
    const moves = grip.ids.map((deviceId) => {
      const { x, y } = document.devices[deviceId];
      return { deviceId, to: [x + dx, y + dy] as const };
    });
    return { guides: next.guides, operations: moveDevices(document, moves) };
  };
  const { pointer, free, guides, takeDevice, keyOnDevice, endsDrag, onPointerMove, onPointerUp, onPointerLeave } = useSurfaceDrag<
    Point2,
    Guide
  >({
    svg,
    selection,
    chosen,
    busy: mode !== 'look' || mayPlace !== null,
    at: world,
    apartPx: (a, b) => Math.hypot(a[0] - b[0], a[1] - b[1]) * k,
    dragged,
    together: (ids) => withPlateMates(document, ids),
    onSelect,
  });
  const click = (event: React.MouseEvent) => {
    if (endsDrag()) return;
    const p = world(event);
    if (mayPlace) {
      if (!inRoom(p)) return;
      const to = guided(mayPlace, p, [], event.altKey);
      const at = to.guides.length > 0 ? to.at : toHandGrid(p, units);
      const placed = field
        ? placeField(document, roomId, mayPlace.id, field.overlap, field.ear, deviceIds)
        : placeAll(document, room.levelId, [{ typeId: mayPlace.id, at }], deviceIds);
      const title = text('edit.place', { name: mayPlace.name.toLowerCase() });
      if (edit(title, placed.ok ? placed.value.operations : placed) && placed.ok) {
        onSelect({ kind: 'device', ids: placed.value.devices.map(({ id }) => id) });
        onPlaced?.(event.shiftKey);
      }
      return;
    }
    if (mode === 'look') {
      if (stage === 'devices' && !(event.target as Element).closest('.wall-face')) onSelect({ kind: 'none', ids: [] });
      return;
    }
    const offsetM = Math.round(offsetAt(p) * 1000) / 1000;
    const operations = toggleJoist(document, { id: newRecordId('n'), roomId, offsetM, isThere: mode === 'joist', joists });
    const takesBack = operations.some(({ op }) => op === 'delete');
    if (operations.length > 0) edit(text(takesBack ? 'edit.remove' : `ceiling.${mode}`), operations);
  };

  const covered = pointer && mayPlace && field ? coverRoom(document, roomId, mayPlace.id, field.overlap, field.ear) : null;
  const ghost = pointer && mayPlace && !field && inRoom(pointer) ? guided(mayPlace, pointer, [], free) : null;
  const lines = ghost?.guides ?? guides;
  const only = chosen.size === 1 ? devices.find(({ id }) => chosen.has(id)) : undefined;
  const places = only && !preview && rankOf(shown, only) === 'stop' ? legalPlaces(shown, only) : [];
  const bay =
    pointer &&
    bayAt(
      joists.filter(({ offsetM }, i) => i === 0 || joists[i - 1].offsetM !== offsetM),
      offsetAt(pointer),
    );
  const labels = labelFaces(
    devices.map((device) => {
      const { widthM, heightM } = faceOf(shown.deviceTypes[device.typeId], null);
      return {
        id: device.id,
        x: device.x * k,
        y: -device.y * k,
        width: widthM * k,
        height: heightM * k,
        words: device.heightM === null ? '' : formatLength(device.heightM, units),
      };
    }),
  );
  const turned = (facingRad: number) => `rotate(${90 - (facingRad * 180) / Math.PI})`;
  return (
    <div className={stage === 'devices' ? 'elevation beside' : 'elevation'}>
      <SurfaceHeader levelId={room.levelId} room={room} wall={null} side={null} onView={onView}>
        <h2>
          {term(`ceilings.${room.ceilingKind}`)} · {term(`framings.${room.framing}`)}
        </h2>
        {stage === 'survey' && (
          <Segmented
            size="small"
            value={mode}
            options={(['look', 'joist', 'no-joist'] as const).map((value) => ({ value, label: text(`ceiling.${value}`) }))}
            onChange={setMode}
          />
        )}
      </SurfaceHeader>
      <svg
        ref={svg}
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className={`elevation-sheet mode-${mode}${mayPlace ? ' placing' : ''}`}
        role="group"
        aria-label={text('ceiling.title', { name: room.name })}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerLeave={onPointerLeave}
        onClick={click}
      >
        <g
          transform={`translate(${sheet.width / 2 - cx * k},${sheet.height / 2 + cy * k}) scale(${k},${-k})`}
          style={{ ['--inv' as string]: 1 / k }}
        >
          <CeilingDrawing document={shown} room={room} joists={joists} />
          {places.map(({ at, shiftM }) => (
            <g
              key={at.join()}
              className="legal-place"
              transform={`translate(${at[0]},${at[1]})`}
              role="button"
              aria-label={text('elevation.moveHere', { by: formatLength(shiftM, units) })}
              onClick={(event) => {
                event.stopPropagation();
                edit(text('edit.move'), moveDevices(document, [{ deviceId: only!.id, to: at }]));
              }}
            >
              <g className="upright">
                <g transform={turned(only!.facingRad)}>
                  <FaceShape face={faceOf(shown.deviceTypes[only!.typeId], null)} k={k} />
                </g>
                <text y={-8} textAnchor="middle">
                  {text('elevation.moveHere', { by: formatLength(shiftM, units) })}
                </text>
              </g>
            </g>
          ))}
          {devices.map((device) => {
            const type = shown.deviceTypes[device.typeId];
            const label = labels.get(device.id)!;
            const [bx, by] = [label.bead[0] - device.x * k, label.bead[1] + device.y * k];
            return (
              <g
                key={device.id}
                className={`wall-face ${rankOf(shown, device)}${chosen.has(device.id) ? ' chosen' : ''}${device.fitting === 'fitted' ? '' : ' prepared'}`}
                transform={`translate(${device.x},${device.y})`}
                role="button"
                tabIndex={0}
                aria-label={`${type.code} ${device.name || type.name}`}
                aria-pressed={chosen.has(device.id)}
                data-device={device.id}
                onPointerDown={(event) => takeDevice(device.id, event)}
                onKeyDown={(event) => keyOnDevice(device.id, event)}
                style={{ color: SYSTEM_STYLE[type.system].colour }}
              >
                <g className="upright">
                  <g transform={turned(device.facingRad)}>
                    <FaceShape face={faceOf(type, mountTypeOf(shown, device))} k={k} />
                  </g>
                  {Math.hypot(bx, by) > 4 && <path className="face-leader" d={`M0 0L${bx} ${by}`} />}
                  <g transform={`translate(${bx},${by})`}>
                    {chosen.has(device.id) && <circle r={20} className="chosen-ring" />}
                    <BeadShape code={type.code} system={type.system} facingRad={null} />
                  </g>
                  {label.words && device.heightM !== null && (
                    <text x={label.words[0] - device.x * k} y={label.words[1] + device.y * k}>
                      {formatLength(device.heightM, units)}
                    </text>
                  )}
                </g>
              </g>
            );
          })}
          <g pointerEvents="none" className="draft">
            {lines.map((guide) => (
              <path
                key={guide.axis}
                className={`guide ${guide.kind}`}
                vectorEffect="non-scaling-stroke"
                d={pathThrough([guide.a, guide.b])}
              />
            ))}
            {covered?.ok &&
              covered.value.at.map(([x, y]) => (
                <g key={`${x},${y}`} transform={`translate(${x},${y})`} className="ghost">
                  <circle className="coverage" r={covered.value.discM / 2} />
                  <g className="upright">
                    <FaceShape face={faceOf(mayPlace!, null)} k={k} />
                  </g>
                </g>
              ))}
            {ghost && mayPlace && (
              <g transform={`translate(${ghost.at[0]},${ghost.at[1]})`} className="ghost">
                <g className="upright">
                  <FaceShape face={faceOf(mayPlace, null)} k={k} />
                  <g transform="translate(0,-22)">
                    <BeadShape code={mayPlace.code} system={mayPlace.system} facingRad={null} />
                  </g>
                </g>
              </g>
            )}
          </g>
        </g>
      </svg>
      <footer className="faint">
        {mode !== 'look'
          ? text(`ceiling.how.${mode}`)
          : armed && !mayPlace
            ? text('ceiling.notForCeilings', { name: armed.name })
            : lines.length > 0
              ? lines.map(({ kind }) => text(`ceiling.guides.${kind}`)).join(' · ')
              : bay
                ? text('ceiling.bay', { clear: formatLength(bay.clearM, units) })
                : joists.length === 0
                  ? text('ceiling.noJoists')
                  : text(stage === 'survey' ? 'ceiling.hint' : 'ceiling.hintDevices', { count: joists.length })}
      </footer>
    </div>
  );
}
