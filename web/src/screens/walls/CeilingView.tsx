import { coverRoom, faceOf, type Guide, placeAll, placeField, withPlateMates } from '@dusky-spool/core/devices';
import { onLevel } from '@dusky-spool/core/derive';
import { attachmentOf, bayAt, joistsOf } from '@dusky-spool/core/house';
import { boundsOf, formatLength, type Point2, pointInPolygon, rotate2 } from '@dusky-spool/core/math';
import type { DeviceType } from '@dusky-spool/core/model';
import { Segmented } from 'antd';
import { useMemo, useRef, useState, type MouseEvent } from 'react';
import { pathThrough } from '../../canvas/room-drawing.ts';
import type { Field } from '../../canvas/tools/plan-tool.ts';
import { usePlacing } from '../../canvas/usePlacing.ts';
import { toggleJoist } from '../../commands/toggle-joist.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { deviceIds, newRecordId, useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { BeadShape } from '../../ui/Bead.tsx';
import { type CeilingFace, dragOnCeiling, guidedOnCeiling, placeOf } from './ceiling-tool.ts';
import { CeilingDevices } from './CeilingDevices.tsx';
import { CeilingDrawing } from './CeilingDrawing.tsx';
import { LegalPlacesOnCeiling } from './LegalPlaces.tsx';
import { SurfaceHeader } from './SurfaceHeader.tsx';
import { useSheetSize } from './useSheetSize.ts';
import { useSurfaceDrag } from './useSurfaceDrag.ts';
import { FaceShape } from './WallDevices.tsx';
import css from './walls.module.css';

interface Props {
  readonly roomId: string;
  readonly selection: Selection;
  readonly stage: 'survey' | 'devices';
  /** The type that a click places. */
  readonly armed?: DeviceType | null;
  /** An even field of it is laid into the room instead of one. */
  readonly field?: Field;
  readonly onPlaced?: (again: boolean) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onView: (view: string | null) => void;
}

/** Guides attract a device from this far on the screen, px. */
const GUIDE_PX = 8;
const EDGE_M = 0.05;
const MODES = ['look', 'joist', 'no-joist'] as const;

/** A room's ceiling as it lies over the plan: joists, beams, lights, vents, and what hangs there, which is placed and moved here. */
export function CeilingView({ roomId, selection, stage, armed = null, field, onPlaced, onSelect, onView }: Props) {
  const project = useProject();
  const { edit, preview } = useProjectParts('edit', 'preview');
  const [mode, setMode] = useState<(typeof MODES)[number]>('look');
  const makePlaced = usePlacing(onSelect);
  const svg = useRef<SVGSVGElement>(null);
  const shown = preview?.project ?? project;
  const room = shown.rooms[roomId];
  const { units } = project.project;
  const joists = useMemo(() => joistsOf(shown, room), [shown, room]);
  const sheet = useSheetSize(svg);
  const b = boundsOf(room.polygon as Point2[])!;
  const k = Math.min((sheet.width - 60) / (b.maxX - b.minX), (sheet.height - 50) / (b.maxY - b.minY));
  const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2];
  const face: CeilingFace = { project, room, guideM: GUIDE_PX / k };
  const chosen = useMemo(() => new Set(selection.kind === 'device' ? selection.ids : []), [selection]);
  const placing = mode === 'look' && armed !== null && attachmentOf(armed) === 'ceiling' ? armed : null;
  const at = (event: { clientX: number; clientY: number }): Point2 => {
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return [(p.x - sheet.width / 2) / k + cx, -(p.y - sheet.height / 2) / k + cy];
  };
  const isInRoom = (p: Point2) => pointInPolygon(p, room.polygon as Point2[], EDGE_M);
  const offsetAt = (p: Point2) => rotate2(p, -room.joistAngleRad)[1];
  const devices = onLevel(shown, 'devices', room.levelId).filter(
    (d) => d.roomId === roomId && attachmentOf(shown.deviceTypes[d.typeId]) === 'ceiling',
  );
  const drag = useSurfaceDrag<Point2, Guide>({
    ...{ svg, selection, chosen, at, onSelect },
    isBusy: mode !== 'look' || placing !== null,
    dragged: (grip, to, isFree) => dragOnCeiling(face, grip, to, isFree),
    together: (ids) => withPlateMates(project, ids),
  });
  const place = (type: DeviceType, p: Point2, event: MouseEvent) => {
    if (!isInRoom(p)) return;
    const to = placeOf(face, guidedOnCeiling(face, type, p, { isFree: event.altKey }));
    const placed = field
      ? placeField(project, roomId, type.id, field.overlap, field.ear, deviceIds)
      : placeAll(project, room.levelId, [{ typeId: type.id, at: to }], deviceIds);
    if (makePlaced(type.name, placed)) onPlaced?.(event.shiftKey);
  };
  const onClick = (event: MouseEvent) => {
    if (drag.takesClick()) return;
    const p = at(event);
    if (placing) return place(placing, p, event);
    if (mode === 'look') {
      if (stage === 'devices' && !(event.target as Element).closest(`.${css.wallFace}`)) onSelect(noSelection);
      return;
    }
    const offsetM = Math.round(offsetAt(p) * 1000) / 1000;
    const operations = toggleJoist(project, { id: newRecordId('n'), roomId, offsetM, isThere: mode === 'joist', joists });
    const isRemoval = operations.some(({ op }) => op === 'delete');
    edit(text(isRemoval ? 'edit.remove' : `ceiling.${mode}`), operations);
  };
  const { pointer } = drag;
  const ghost =
    pointer && placing && !field && isInRoom(pointer) ? guidedOnCeiling(face, placing, pointer, { isFree: drag.isFree }) : null;
  const covered = pointer && placing && field ? coverRoom(project, roomId, placing.id, field.overlap, field.ear) : null;
  const guides = ghost?.guides ?? drag.guides;
  const [onlyId] = chosen.size === 1 ? chosen : [];
  const only = preview ? undefined : devices.find(({ id }) => id === onlyId);
  const rows = joists.filter(({ offsetM }, i) => i === 0 || joists[i - 1].offsetM !== offsetM);
  const bay = pointer && bayAt(rows, offsetAt(pointer));
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
            options={MODES.map((value) => ({ value, label: text(`ceiling.${value}`) }))}
            onChange={setMode}
          />
        )}
      </SurfaceHeader>
      <svg
        ref={svg}
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className={`${css.elevationSheet} mode-${mode}${placing ? ' placing' : ''}`}
        role="group"
        aria-label={text('ceiling.title', { name: room.name })}
        onPointerMove={drag.onPointerMove}
        onPointerUp={drag.onPointerUp}
        onPointerLeave={drag.onPointerLeave}
        onClick={onClick}
      >
        <g
          transform={`translate(${sheet.width / 2 - cx * k},${sheet.height / 2 + cy * k}) scale(${k},${-k})`}
          style={{ ['--inv' as string]: 1 / k }}
        >
          <CeilingDrawing project={shown} room={room} joists={joists} />
          {only && <LegalPlacesOnCeiling device={only} k={k} />}
          <CeilingDevices project={shown} {...{ devices, k, chosen }} onPointerDown={drag.takeDevice} onKey={drag.keyOnDevice} />
          <g pointerEvents="none" className="draft">
            {guides.map((guide) => (
              <path
                key={guide.axis}
                className={`guide ${guide.kind}`}
                vectorEffect="non-scaling-stroke"
                d={pathThrough([guide.a, guide.b])}
              />
            ))}
            {placing &&
              covered?.ok &&
              covered.value.at.map((p) => <Ghost key={p.join()} type={placing} at={p} k={k} radiusM={covered.value.discM / 2} />)}
            {placing && ghost && <Ghost type={placing} at={ghost.at} k={k} />}
          </g>
        </g>
      </svg>
      <footer className="faint">
        {mode !== 'look'
          ? text(`ceiling.how.${mode}`)
          : armed && !placing
            ? text('ceiling.notForCeilings', { name: armed.name })
            : guides.length > 0
              ? guides.map(({ kind }) => text(`ceiling.guides.${kind}`)).join(' · ')
              : bay
                ? text('ceiling.bay', { clear: formatLength(bay.clearM, units) })
                : joists.length === 0
                  ? text('ceiling.noJoists')
                  : text(stage === 'survey' ? 'ceiling.hint' : 'ceiling.hintDevices', { count: joists.length })}
      </footer>
    </div>
  );
}

/** A device that a click would place; in a field with what it covers. */
function Ghost({
  type,
  at,
  k,
  radiusM,
}: {
  readonly type: DeviceType;
  readonly at: Point2;
  readonly k: number;
  readonly radiusM?: number;
}) {
  return (
    <g transform={`translate(${at[0]},${at[1]})`} className="ghost">
      {radiusM !== undefined && <circle className="coverage" r={radiusM} />}
      <g className="upright">
        <FaceShape face={faceOf(type, null)} k={k} />
        {radiusM === undefined && (
          <g transform="translate(0,-22)">
            <BeadShape code={type.code} system={type.system} facingRad={null} />
          </g>
        )}
      </g>
    </g>
  );
}
