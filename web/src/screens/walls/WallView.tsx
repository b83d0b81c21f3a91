import { removeRecords } from '../../commands/remove-records.ts';
import { useProject } from '../../state/open-project.ts';
import {
  clashesOnFace,
  type FaceGuide,
  faceOf,
  type FacePlace,
  facePlaceOf,
  guideOnFace,
  legalPlaces,
  moveOnFace,
  placeOnFace,
  plateSizeM,
  rankOf,
  roomOnSide,
  wallPlaceOf,
  withPlateMates,
} from '@dusky-spool/core/devices';
import { attachmentOf, bayAt, facedSide, wallElevation, type WallSide } from '@dusky-spool/core/house';
import { placeOpening } from '@dusky-spool/core/survey';
import type { DeviceType } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { formatLength } from '@dusky-spool/core/math';
import type { Finding } from '@dusky-spool/core/rules';
import { term, text } from '../../ground/text.ts';
import { toHandGrid } from '../../canvas/nudge.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { deviceIds, newRecordId, useProjectParts } from '../../state/project.ts';
import { BeadShape } from '../../ui/Bead.tsx';
import { framingEdit, type FramingMode } from '../../commands/edit-framing.ts';
import { SurfaceHeader } from './SurfaceHeader.tsx';
import { type Grip, useSurfaceDrag } from './useSurfaceDrag.ts';
import { useSheetSize } from './useSheetSize.ts';
import { wallScale } from './wall-scale.ts';
import { FaceShape, WallDevices } from './WallDevices.tsx';
import { WallDrawing } from './WallDrawing.tsx';
import { useMemo, useRef, useState } from 'react';
import { Segmented } from 'antd';
import { findingSentence } from '@dusky-spool/texts';

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

/** A place is drawn to a guide this near on the screen, px. */
const GUIDE_PX = 8;

/** A wall seen square on from one of its sides: devices are placed, moved and lined up on it, studs and blocking set where they are. */
export function WallView({ wallId, side, selection, stage, armed = null, onPlaced, onSelect, onView }: Props) {
  const document = useProject();
  const { edit, preview } = useProjectParts('edit', 'preview');
  const [mode, setMode] = useState<FramingMode>('look');
  const [blockFrom, setBlockFrom] = useState<FacePlace | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const shown = preview?.document ?? document;
  const wall = shown.walls[wallId];
  const view = useMemo(() => wallElevation(shown, wall), [shown, wall]);
  const sheet = useSheetSize(svg);
  const scale = useMemo(() => wallScale(view, side, sheet), [view, side, sheet]);
  const { X, Y, k } = scale;
  const { units } = document.project;
  const room = roomOnSide(shown, wall, side, view.lengthM / 2);
  const chosen = useMemo(() => new Set(selection.kind === 'device' ? selection.ids : []), [selection]);
  const mayPlace = mode === 'look' && armed !== null && attachmentOf(armed) === 'wall' ? armed : null;

  const at = (event: { clientX: number; clientY: number }): FacePlace => {
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    const { offsetM, heightM } = scale.placeAt(p.x, p.y);
    const [x, y] = toHandGrid([offsetM, heightM], units);
    return { offsetM: x, heightM: y };
  };
  const guided = (type: DeviceType, place: FacePlace, without: readonly string[], freely: boolean) =>
    freely ? { place, guides: [] } : guideOnFace(document, wall, side, type, place, GUIDE_PX / k, new Set(without));

  const dragged = (grip: Grip<FacePlace>, to: FacePlace, freely: boolean) => {
    const [dx, dy] = [to.offsetM - grip.from.offsetM, to.heightM - grip.from.heightM];
    if (grip.kind === 'opening') {
      const opening = document.openings[grip.ids[0]];
      const rise = opening.kind === 'window' ? dy : 0;
      return {
        guides: [],
        operations: placeOpening(document, {
          ...opening,
          offsetM: Math.min(view.lengthM - opening.widthM / 2, Math.max(opening.widthM / 2, opening.offsetM + dx)),
          sillM: Math.max(0, opening.sillM + rise),
          headM: opening.headM + (opening.sillM + rise < 0 ? -opening.sillM : rise),
        }),
      };
    }
    // The one that was taken hold of follows the guides; the others keep their distance from it.
    const places = grip.ids.flatMap((deviceId) => {
      const place = facePlaceOf(document, document.walls[wallId], document.devices[deviceId]);
      return place ? [{ deviceId, place }] : [];
    });
    const first = places[0].place;
    const wanted = { offsetM: first.offsetM + dx, heightM: first.heightM + dy };
    const type = document.deviceTypes[document.devices[grip.ids[0]].typeId];
    const to2 = guided(type, wanted, grip.ids, freely);
    const [sx, sy] = [to2.place.offsetM - first.offsetM, to2.place.heightM - first.heightM];
    const moves = places.map(({ deviceId, place }) => ({
      deviceId,
      to: { offsetM: place.offsetM + sx, heightM: place.heightM + sy },
    }));
    return { guides: to2.guides, operations: moveOnFace(document, document.walls[wallId], side, moves) };
  };

  const { pointer, free, guides, hold, takeDevice, keyOnDevice, endsDrag, onPointerMove, onPointerUp, onPointerLeave } =
    useSurfaceDrag<FacePlace, FaceGuide>({
      svg,
      selection,
      chosen,
      busy: mode !== 'look' || mayPlace !== null,
      at,
      apartPx: (a, b) => Math.hypot(a.offsetM - b.offsetM, a.heightM - b.heightM) * k,
      dragged,
      together: (ids) => withPlateMates(document, ids),
      onSelect,
    });
  const onClick = (event: React.MouseEvent) => {
    if (endsDrag()) return;
    const place = at(event);
    if (place.offsetM < 0 || place.offsetM > view.lengthM) return;
    if (mayPlace) {
      const to = guided(mayPlace, place, [], event.altKey).place;
      const placed = placeOnFace(document, wall, side, mayPlace.id, to, deviceIds);
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
    const next = framingEdit(document, view, wallId, mode, place, blockFrom, () => newRecordId('n'));
    setBlockFrom(next.blockFrom);
    if (next.operation) edit(text(`elevation.${mode}`), [next.operation]);
  };

  const ghost = pointer && mayPlace ? guided(mayPlace, pointer, [], free) : null;
  const [keptOut] = ghost && mayPlace ? clashesOnFace(shown, wall, side, mayPlace.id, ghost.place) : [];
  const lines = ghost?.guides ?? guides;
  const only = chosen.size === 1 ? shown.devices[[...chosen][0]] : undefined;
  const places =
    only && !preview && facePlaceOf(shown, wall, only)?.side === side && rankOf(shown, only) === 'stop'
      ? legalPlaces(shown, only)
      : [];
  const bay = pointer && bayAt(view.studs, pointer.offsetM);
  return (
    <div className={stage === 'devices' ? 'elevation beside' : 'elevation'}>
      <SurfaceHeader levelId={wall.levelId} room={room ?? null} wall={wall} side={side} onView={onView}>
        <h2>
          {term(`walls.${wall.kind}`)} · {formatLength(view.lengthM, units)}
        </h2>
        {stage === 'survey' && (
          <Segmented
            size="small"
            value={mode}
            options={(['look', 'stud', 'no-stud', 'blocking'] as const).map((value) => ({
              value,
              label: text(`elevation.${value}`),
            }))}
            onChange={setMode}
          />
        )}
      </SurfaceHeader>
      <svg
        ref={svg}
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className={`elevation-sheet mode-${mode}${mayPlace ? ' placing' : ''}`}
        role="group"
        aria-label={text('elevation.title')}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerLeave={onPointerLeave}
        onClick={onClick}
      >
        <WallDrawing
          view={view}
          scale={scale}
          units={units}
          selection={selection}
          onOpening={
            stage === 'survey'
              ? (opening, event) => {
                  if (mode !== 'look') return;
                  hold('opening', [opening.id], event);
                  onSelect({ kind: 'opening', ids: [opening.id] });
                }
              : undefined
          }
          onFeature={(id) => stage === 'survey' && mode === 'look' && onSelect({ kind: 'feature', ids: [id] })}
          onBlocking={(member, event) => {
            if (mode !== 'blocking') return;
            event.stopPropagation();
            edit(text('edit.remove'), removeRecords('framingMembers', [member]));
          }}
        />
        {onLevel(shown, 'plates', wall.levelId).map((plate) => {
          const place = wallPlaceOf(shown, plate);
          if (place?.wall.id !== wall.id || facedSide(wall, plate.facingRad) !== side) return null;
          const [w, h] = plateSizeM(plate).map((valueM) => (valueM + 0.012) * k);
          return (
            <rect
              key={plate.id}
              x={X(place.offsetM) - w / 2}
              y={Y(plate.heightM) - h / 2}
              width={w}
              height={h}
              rx={3}
              className="plate-outline"
            />
          );
        })}
        {places.map(({ at: [x, y], shiftM }) => {
          const place = facePlaceOf(shown, wall, { ...only!, x, y });
          if (!place) return null;
          return (
            <g
              key={`${x},${y}`}
              className="legal-place"
              transform={`translate(${X(place.offsetM)},${Y(place.heightM)})`}
              role="button"
              aria-label={text('elevation.moveHere', { by: formatLength(shiftM, units) })}
              onClick={(event) => {
                event.stopPropagation();
                edit(text('edit.move'), moveOnFace(document, wall, side, [{ deviceId: only!.id, to: place }]));
              }}
            >
              <FaceShape face={faceOf(shown.deviceTypes[only!.typeId], null)} k={k} />
              <text y={-8} textAnchor="middle">
                {text('elevation.moveHere', { by: formatLength(shiftM, units) })}
              </text>
            </g>
          );
        })}
        <WallDevices
          document={shown}
          wall={wall}
          view={view}
          side={side}
          scale={scale}
          chosen={chosen}
          onPointerDown={takeDevice}
          onKey={keyOnDevice}
        />
        <g pointerEvents="none" className="draft">
          {lines.map(({ axis, atM, kind }) => (
            <path
              key={axis}
              className={`guide ${kind}`}
              d={axis === 'offset' ? `M${X(atM)} ${Y(view.heightM)}V${Y(0)}` : `M${X(0)} ${Y(atM)}H${X(view.lengthM)}`}
            />
          ))}
          {ghost && mayPlace && (
            <g
              className={`ghost ${keptOut?.rank ?? ''}`}
              transform={`translate(${X(ghost.place.offsetM)},${Y(ghost.place.heightM)})`}
            >
              <FaceShape face={faceOf(mayPlace, null)} k={k} />
              <g transform={`translate(0,${(-faceOf(mayPlace, null).heightM * k) / 2 - 14})`}>
                <BeadShape code={mayPlace.code} system={mayPlace.system} facingRad={null} />
              </g>
              <text y={(faceOf(mayPlace, null).heightM * k) / 2 + 15} textAnchor="middle" className="draft-text">
                {formatLength(ghost.place.heightM, units)} · {formatLength(ghost.place.offsetM, units)}
              </text>
            </g>
          )}
          {pointer && mode !== 'look' && (
            <>
              {blockFrom ? (
                <rect
                  className="box-select"
                  {...scale.box(
                    Math.min(blockFrom.offsetM, pointer.offsetM),
                    Math.max(blockFrom.offsetM, pointer.offsetM),
                    Math.min(blockFrom.heightM, pointer.heightM),
                    Math.max(blockFrom.heightM, pointer.heightM),
                  )}
                />
              ) : (
                <path className="guide" d={`M${X(pointer.offsetM)} ${Y(view.heightM)}V${Y(0)}`} />
              )}
              <text x={X(pointer.offsetM) + 8} y={Y(pointer.heightM) - 8} className="draft-text">
                {formatLength(pointer.offsetM, units)} · {formatLength(pointer.heightM, units)}
              </text>
            </>
          )}
        </g>
      </svg>
      <footer className="faint">
        {mode !== 'look'
          ? text(`elevation.how.${mode}`)
          : armed && !mayPlace
            ? text('elevation.notForWalls', { name: armed.name })
            : keptOut && mayPlace
              ? findingSentence(
                  { code: keptOut.code, figures: { device: mayPlace.name, ...keptOut.figures } } as unknown as Finding,
                  units,
                )
              : lines.length > 0
                ? lines.map(({ kind }) => text(`elevation.guides.${kind}`)).join(' · ')
                : bay
                  ? text('elevation.bay', { clear: formatLength(bay.clearM, units), middle: formatLength(bay.middleM, units) })
                  : text(stage === 'survey' ? 'elevation.hint' : 'elevation.hintDevices')}
      </footer>
    </div>
  );
}
