import {
  clashesOnFace,
  type FaceGuide,
  type FacePlace,
  placeOnFace,
  plateSizeM,
  roomOnSide,
  wallPlaceOf,
  withPlateMates,
} from '@dusky-spool/core/devices';
import { onLevel } from '@dusky-spool/core/derive';
import { attachmentOf, bayAt, facedSide, wallElevation, type WallSide } from '@dusky-spool/core/house';
import { formatLength } from '@dusky-spool/core/math';
import type { DeviceType, FramingMember, Opening, Wall } from '@dusky-spool/core/model';
import type { Finding } from '@dusky-spool/core/rules';
import { findingSentence } from '@dusky-spool/texts';
import { Segmented } from 'antd';
import { useMemo, useRef, useState, type MouseEvent, type PointerEvent } from 'react';
import { toHandGrid } from '../../canvas/tools/nudge.ts';
import { usePlacing } from '../../canvas/usePlacing.ts';
import { framingEdit, type FramingMode } from '../../commands/edit-framing.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { deviceIds, newRecordId, useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { LegalPlacesOnWall } from './LegalPlaces.tsx';
import { SurfaceHeader } from './SurfaceHeader.tsx';
import { useSheetSize } from './useSheetSize.ts';
import { useSurfaceDrag } from './useSurfaceDrag.ts';
import { wallScale, type WallScale } from './wall-scale.ts';
import { dragOnWall, guidedOnWall, type WallFace } from './wall-tool.ts';
import { WallDevices } from './WallDevices.tsx';
import { type Ghost, WallDraft } from './WallDraft.tsx';
import { WallDrawing } from './WallDrawing.tsx';
import css from './walls.module.css';

interface Props {
  readonly wallId: string;
  readonly side: WallSide;
  readonly selection: Selection;
  /** Studs and openings are set in the Survey, devices are placed in Devices; both may be moved in both. */
  readonly stage: 'survey' | 'devices';
  /** The type that a click places. */
  readonly armed?: DeviceType | null;
  readonly onPlaced?: (again: boolean) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onView: (view: string | null) => void;
}

/** Guides attract a device from this far on the screen, px. */
const GUIDE_PX = 8;
const MODES = ['look', 'stud', 'no-stud', 'blocking'] as const;

/** A wall seen square on from one of its sides: devices are placed, moved and lined up on it, studs and blocking set where they are. */
export function WallView({ wallId, side, selection, stage, armed = null, onPlaced, onSelect, onView }: Props) {
  const project = useProject();
  const { edit, preview } = useProjectParts('edit', 'preview');
  const [mode, setMode] = useState<FramingMode>('look');
  const [blockFrom, setBlockFrom] = useState<FacePlace | null>(null);
  const makePlaced = usePlacing(onSelect);
  const svg = useRef<SVGSVGElement>(null);
  const shown = preview?.project ?? project;
  const wall = shown.walls[wallId];
  const view = useMemo(() => wallElevation(shown, wall), [shown, wall]);
  const sheet = useSheetSize(svg);
  const scale = useMemo(() => wallScale(view, side, sheet), [view, side, sheet]);
  const { units } = project.project;
  const face: WallFace = { project, wall: project.walls[wallId], side, view, guideM: GUIDE_PX / scale.k };
  const chosen = useMemo(() => new Set(selection.kind === 'device' ? selection.ids : []), [selection]);
  const placing = mode === 'look' && armed !== null && attachmentOf(armed) === 'wall' ? armed : null;

  const at = (event: { clientX: number; clientY: number }): FacePlace => {
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    const { offsetM, heightM } = scale.placeAt(p.x, p.y);
    const [x, y] = toHandGrid([offsetM, heightM], units);
    return { offsetM: x, heightM: y };
  };
  const drag = useSurfaceDrag<FacePlace, FaceGuide>({
    ...{ svg, selection, chosen, at, onSelect },
    isBusy: mode !== 'look' || placing !== null,
    dragged: (grip, to, isFree) => dragOnWall(face, grip, to, isFree),
    together: (ids) => withPlateMates(project, ids),
  });
  const place = (type: DeviceType, event: MouseEvent) => {
    const to = guidedOnWall(face, type, at(event), { isFree: event.altKey }).place;
    const placed = placeOnFace(project, face.wall, side, type.id, to, deviceIds);
    if (makePlaced(type.name, placed)) onPlaced?.(event.shiftKey);
  };
  const onClick = (event: MouseEvent) => {
    if (drag.takesClick()) return;
    const { offsetM } = at(event);
    if (offsetM < 0 || offsetM > view.lengthM) return;
    if (placing) return place(placing, event);
    if (mode === 'look') {
      if (stage === 'devices' && !(event.target as Element).closest(`.${css.wallFace}`)) onSelect(noSelection);
      return;
    }
    const next = framingEdit(project, view, wallId, mode, at(event), blockFrom, () => newRecordId('n'));
    setBlockFrom(next.blockFrom);
    if (next.operation) edit(text(`elevation.${mode}`), [next.operation]);
  };
  const { pointer } = drag;
  const guided = pointer && placing ? guidedOnWall(face, placing, pointer, { isFree: drag.isFree }) : null;
  const [clash] = guided && placing ? clashesOnFace(shown, wall, side, placing.id, guided.place) : [];
  const ghost: Ghost | null = guided && placing && { type: placing, place: guided.place, rank: clash?.rank ?? null };
  const guides = guided?.guides ?? drag.guides;
  const [onlyId] = chosen.size === 1 ? chosen : [];
  const only = onlyId && !preview ? shown.devices[onlyId] : undefined;
  return (
    <div className={stage === 'devices' ? 'elevation beside' : 'elevation'}>
      <SurfaceHeader
        levelId={wall.levelId}
        room={roomOnSide(shown, wall, side, view.lengthM / 2) ?? null}
        {...{ wall, side, onView }}
      >
        <h2>
          {term(`walls.${wall.kind}`)} · {formatLength(view.lengthM, units)}
        </h2>
        {stage === 'survey' && (
          <Segmented
            size="small"
            value={mode}
            options={MODES.map((value) => ({ value, label: text(`elevation.${value}`) }))}
            onChange={setMode}
          />
        )}
      </SurfaceHeader>
      <svg
        ref={svg}
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className={`${css.elevationSheet} mode-${mode}${placing ? ' placing' : ''}`}
        role="group"
        aria-label={text('elevation.title')}
        onPointerMove={drag.onPointerMove}
        onPointerUp={drag.onPointerUp}
        onPointerLeave={drag.onPointerLeave}
        onClick={onClick}
      >
        <WallDrawing
          {...{ view, scale, units, selection }}
          {...drawingActions({
            isSurvey: stage === 'survey',
            mode,
            onOpening: (opening, event) => {
              drag.take('opening', [opening.id], event);
              onSelect({ kind: 'opening', ids: [opening.id] });
            },
            onFeature: (id) => onSelect({ kind: 'feature', ids: [id] }),
            onBlocking: (member) => edit(text('edit.remove'), removeRecords('framingMembers', [member])),
          })}
        />
        <PlateOutlines wall={wall} side={side} scale={scale} />
        {only && <LegalPlacesOnWall device={only} {...{ wall, side, scale }} />}
        <WallDevices
          project={shown}
          {...{ wall, view, side, scale, chosen }}
          onPointerDown={drag.takeDevice}
          onKey={drag.keyOnDevice}
        />
        <WallDraft {...{ view, scale, guides, ghost }} framing={pointer && mode !== 'look' ? { at: pointer, blockFrom } : null} />
      </svg>
      <footer className="faint">
        {mode !== 'look'
          ? text(`elevation.how.${mode}`)
          : armed && !placing
            ? text('elevation.notForWalls', { name: armed.name })
            : clash && placing
              ? findingSentence(
                  { code: clash.code, figures: { device: placing.name, ...clash.figures } } as unknown as Finding,
                  units,
                )
              : guides.length > 0
                ? guides.map(({ kind }) => text(`elevation.guides.${kind}`)).join(' · ')
                : bayHint(pointer && bayAt(view.studs, pointer.offsetM), stage, units)}
      </footer>
    </div>
  );
}

/** What can be done to the drawing itself: in the Survey, where no framing is set. */
function drawingActions({
  isSurvey,
  mode,
  onOpening,
  onFeature,
  onBlocking,
}: {
  readonly isSurvey: boolean;
  readonly mode: FramingMode;
  readonly onOpening: (opening: Opening, event: PointerEvent) => void;
  readonly onFeature: (id: string) => void;
  readonly onBlocking: (member: FramingMember) => void;
}) {
  const isLooking = mode === 'look';
  return {
    onOpening: isSurvey
      ? (opening: Opening, event: PointerEvent) => {
          if (isLooking) onOpening(opening, event);
        }
      : undefined,
    onFeature: (id: string) => {
      if (isSurvey && isLooking) onFeature(id);
    },
    onBlocking: (member: FramingMember, event: MouseEvent) => {
      if (mode !== 'blocking') return;
      event.stopPropagation();
      onBlocking(member);
    },
  };
}

/** Plates around the devices that share them. */
function PlateOutlines({ wall, side, scale }: { readonly wall: Wall; readonly side: WallSide; readonly scale: WallScale }) {
  const { preview } = useProjectParts('preview');
  const project = useProject();
  const shown = preview?.project ?? project;
  return onLevel(shown, 'plates', wall.levelId).map((plate) => {
    const place = wallPlaceOf(shown, plate);
    if (place?.wall.id !== wall.id || facedSide(wall, plate.facingRad) !== side) return null;
    const [width, height] = plateSizeM(plate).map((valueM) => (valueM + PLATE_MARGIN_M) * scale.k);
    return (
      <rect
        key={plate.id}
        x={scale.X(place.offsetM) - width / 2}
        y={scale.Y(plate.heightM) - height / 2}
        {...{ width, height }}
        rx={3}
        className={css.plateOutline}
      />
    );
  });
}
/** Drawn around a plate, m. */
const PLATE_MARGIN_M = 0.012;

function bayHint(bay: ReturnType<typeof bayAt> | null, stage: Props['stage'], units: Parameters<typeof formatLength>[1]): string {
  return bay
    ? text('elevation.bay', { clear: formatLength(bay.clearM, units), middle: formatLength(bay.middleM, units) })
    : text(stage === 'survey' ? 'elevation.hint' : 'elevation.hintDevices');
}
