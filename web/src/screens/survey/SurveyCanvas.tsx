import { addDimension } from '../../commands/add-dimension.ts';
import { placeRiser } from '../../commands/place-riser.ts';
import { freeRackCode, placeRack } from '../../commands/place-rack.ts';
import { placeFeature } from '../../commands/place-feature.ts';
import { useProject } from '../../state/open-project.ts';
import { buildingOf, nearestWall, projectBounds, type Snap, snapDrawing, surveyHit } from '@dusky-spool/core/house';
import { drawWalls, placeOpening } from '@dusky-spool/core/survey';
import { distance2, formatLength, type Outcome, parseLength, type Point2, tidyM } from '@dusky-spool/core/math';
import { newOpening, type Operation } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { BuildingLayer } from '../../canvas/BuildingLayer.tsx';
import { FeaturesLayer } from '../../canvas/FeaturesLayer.tsx';
import { LabelLayer } from '../../canvas/LabelLayer.tsx';
import { boxPath } from '../../canvas/room-drawing.ts';
import { UnderlayLayer } from '../../canvas/UnderlayLayer.tsx';
import { Draft } from './Draft.tsx';
import { inBox } from '../../state/survey-selection.ts';
import { Sheet } from '../../canvas/Sheet.tsx';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { setCorner, typedCorner } from '../../canvas/tools/draw-walls.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { newSurveyId } from './ids.ts';
import { SelectionOverlay } from './SelectionOverlay.tsx';
import { dragGrip, type Grip } from '../../commands/drag-grip.ts';
import { OPENING_SIZES, SELECT, type SurveyTool } from './tools.ts';
import { useSurveyView } from './useSurveyView.ts';
import { useUnderlayLines } from './useUnderlayLines.ts';
import { useCallback, useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { App as AntApp } from 'antd';
import { problemSentence } from '@dusky-spool/texts';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly tool: SurveyTool;
  readonly leftPx: number;
  readonly control: CameraControl;
  readonly onSelect: (selection: Selection) => void;
  readonly onTool: (tool: SurveyTool) => void;
  readonly onMenu: (at: { x: number; y: number }) => void;
  readonly onScale: (underlayId: string, first: Point2, second: Point2) => void;
  readonly onCrop: (underlayId: string, first: Point2, second: Point2) => void;
  readonly onReference: (at: Point2) => void;
}

const SNAP_PX = 11;
const NO_LINES: readonly never[] = [];
const NO_DEVICES: readonly never[] = [];

/** The survey sheet of one level: walls, openings and things are drawn, chosen and moved by pointer. */
export function SurveyCanvas({
  projectId,
  levelId,
  selection,
  tool,
  leftPx,
  control,
  onSelect,
  onTool,
  onMenu,
  onScale,
  onCrop,
  onReference,
}: Props) {
  const document = useProject();
  const { edit, preview, drag: showDrag, endPreview } = useProjectParts('edit', 'preview', 'drag', 'endPreview');
  const { message } = AntApp.useApp();
  const { hidden, locked, gridM } = useSurveyView();
  const [pointer, setPointer] = useState<Snap | null>(null);
  const [boxFrom, setBoxFrom] = useState<Point2 | null>(null);
  const grip = useRef<{ grip: Grip; from: Point2; moved: boolean } | null>(null);
  const heldSomething = useRef(false);
  const frame = useRef(0);
  const shown = preview?.document ?? document;
  const walls = useMemo(
    () => Object.values(document.walls).filter((wall) => wall.levelId === levelId),
    [document.walls, levelId],
  );
  const linesNear = useUnderlayLines(projectId, document, levelId);
  const { units } = document.project;
  const gridAngleRad = document.levels[levelId]?.gridAngleRad ?? 0;

  const fitted = useRef('');
  useEffect(() => {
    if (!control.ready || fitted.current === projectId) return;
    fitted.current = projectId;
    control.fit(projectBounds(document, levelId, true) ?? projectBounds(document), leftPx);
  }, [projectId, document, levelId, control, leftPx]);

  const from =
    tool.kind === 'walls'
      ? tool.draw.chain.at(-1)
      : tool.kind === 'feature'
        ? tool.points.at(-1)
        : tool.kind === 'measure'
          ? (tool.first ?? undefined)
          : undefined;
  const snapAt = useCallback(
    (event: { clientX: number; clientY: number; shiftKey: boolean }): Snap => {
      const p = control.toWorld(event.clientX, event.clientY);
      const angleLockRad = tool.kind === 'walls' && (tool.draw.angleLock || event.shiftKey) ? Math.PI / 12 : 0;
      const reachM = SNAP_PX / control.camera.k;
      const underlayLines = hidden.has('underlay') ? [] : linesNear(p, reachM);
      return snapDrawing(p, { walls, from, gridAngleRad, gridM, angleLockRad, underlayLines }, reachM);
    },
    [control, tool, walls, from, gridAngleRad, gridM, hidden, linesNear],
  );
  const refuse = (outcome: Outcome<readonly Operation[]>) => {
    if (!outcome.ok) void message.warning({ content: problemSentence(outcome.problem, units), key: 'refusal', duration: 6 });
  };

  const onGrip = (held: Grip, event: PointerEvent) => {
    if (tool.kind !== 'select' || event.button !== 0) return;
    const kinds =
      held.kind === 'features'
        ? held.ids.map((id) => document.features[id]?.kind ?? '')
        : ['walls', 'corner'].includes(held.kind)
          ? ['wall']
          : [held.kind];
    if (kinds.some((kind) => locked.has(kind))) {
      void message.info({ content: text('survey.isLocked'), key: 'locked' });
      return;
    }
    event.stopPropagation();
    heldSomething.current = true;
    control.sheet.current?.setPointerCapture(event.pointerId);
    grip.current = { grip: held, from: control.toWorld(event.clientX, event.clientY), moved: false };
  };

  /** The shift of a drag: the held point drawn to the grid, or a corner to what it is near. */
  const dragTo = (event: PointerEvent): { by: Point2; at: Point2 } => {
    const p = control.toWorld(event.clientX, event.clientY);
    const current = grip.current!;
    if (current.grip.kind === 'corner' || current.grip.kind === 'feature-point') {
      const others =
        current.grip.kind === 'corner'
          ? walls.filter((w) => ![w.a, w.b].some((q) => distance2(q, (current.grip as { at: Point2 }).at) < 0.01))
          : walls;
      const { point } = snapDrawing(p, { walls: others, gridAngleRad, gridM, angleLockRad: 0 }, SNAP_PX / control.camera.k);
      return { by: [point[0] - current.from[0], point[1] - current.from[1]], at: point };
    }
    const step = gridM || 0.01;
    const snap = (value: number) => tidyM(Math.round(value / step) * step);
    return { by: [snap(p[0] - current.from[0]), snap(p[1] - current.from[1])], at: p };
  };

  const onPointerMove = (event: PointerEvent) => {
    const current = grip.current;
    if (!current) {
      if (tool.kind !== 'select') setPointer(snapAt(event));
      else if (boxFrom) setPointer({ point: control.toWorld(event.clientX, event.clientY), kind: 'none', guides: [] });
      return;
    }
    const p = control.toWorld(event.clientX, event.clientY);
    if (!current.moved && distance2(p, current.from) * control.camera.k < 4) return;
    grip.current = { ...current, moved: true };
    const { by, at } = dragTo(event);
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(() => {
      const operations = dragGrip(document, { grip: current.grip, by, at, levelId, newId: newSurveyId });
      if (operations.ok) showDrag(operations.value);
    });
  };
  const onPointerUp = (event: PointerEvent) => {
    if (boxFrom) {
      const to = control.toWorld(event.clientX, event.clientY);
      setBoxFrom(null);
      setPointer(null);
      heldSomething.current = true;
      return onSelect(inBox(document, levelId, boxFrom, to, hidden));
    }
    const current = grip.current;
    if (!current) return;
    cancelAnimationFrame(frame.current);
    const { by, at } = dragTo(event);
    grip.current = null;
    if (current.moved) edit(text('edit.move'), dragGrip(document, { grip: current.grip, by, at, levelId, newId: newSurveyId }));
    else endPreview();
  };
  const onPointerDown = (event: PointerEvent) => {
    if (tool.kind === 'select' && event.shiftKey && event.button === 0) {
      control.sheet.current?.setPointerCapture(event.pointerId);
      setBoxFrom(control.toWorld(event.clientX, event.clientY));
    }
  };

  const onClick = (event: React.MouseEvent) => {
    const held = heldSomething.current;
    heldSomething.current = false;
    if (event.defaultPrevented || held) return;
    if (tool.kind === 'select') {
      const hit = surveyHit(document, levelId, control.toWorld(event.clientX, event.clientY), 8 / control.camera.k, hidden);
      onSelect(hit ? { kind: hit.kind, ids: [hit.id] } : noSelection);
      return;
    }
    applyTool(snapAt(event));
  };

  const applyTool = (snap: Snap) => {
    const p: Point2 = [tidyM(snap.point[0]), tidyM(snap.point[1])];
    switch (tool.kind) {
      case 'walls': {
        const step = setCorner(tool.draw, p);
        if (step.build) {
          const outcome = drawWalls(document, levelId, step.build, tool.make, newSurveyId);
          refuse(outcome);
          if (outcome.ok) edit(text('survey.drawWalls'), outcome);
          else return;
        }
        return onTool({ ...tool, draw: step.state });
      }
      case 'opening': {
        const place = nearestWall(buildingOf(document), levelId, p, 0.6);
        if (!place) return void message.info({ content: text('survey.clickWall'), key: 'refusal' });
        const size = OPENING_SIZES[tool.opening];
        const length = distance2(place.wall.a, place.wall.b);
        const half = Math.min(size.widthM, length) / 2;
        const offsetM = tidyM(Math.min(length - half, Math.max(half, place.offsetM)));
        const door = tool.opening === 'door';
        const opening = newOpening({
          id: newRecordId('o'),
          wallId: place.wall.id,
          kind: tool.opening,
          offsetM,
          ...size,
          hinge: door ? 'start' : null,
          swing: door ? 'left' : null,
        });
        const outcome = placeOpening(document, opening);
        refuse(outcome);
        if (outcome.ok && edit(text('survey.placeOpening', { kind: term(`openings.${tool.opening}`) }), outcome))
          onSelect({ kind: 'opening', ids: [opening.id] });
        return;
      }
      case 'feature':
        return setFeaturePoint(p);
      case 'rack':
      case 'riser':
        return placeShaft(p);
      case 'measure':
        if (!tool.first) return onTool({ ...tool, first: p });
        edit(text('survey.measured'), addDimension({ id: newRecordId('m'), levelId, from: tool.first, to: p }));
        return onTool({ kind: 'measure', first: null });
      case 'scale':
        if (tool.points.length === 0) return onTool({ ...tool, points: [snap.point] });
        return onScale(tool.underlayId, tool.points[0], snap.point);
      case 'crop':
        if (!tool.first) return onTool({ ...tool, first: snap.point });
        return onCrop(tool.underlayId, tool.first, snap.point);
      case 'reference':
        return onReference(p);
    }
  };

  const setFeaturePoint = (p: Point2) => {
    if (tool.kind !== 'feature') return;
    const { make } = tool;
    const points = [...tool.points, p];
    const closes = make.shape === 'area' && tool.points.length >= 3 && distance2(tool.points[0], p) < 0.02;
    if (make.shape === 'point' || closes || (make.shape === 'line' && points.length === 2 && make.kind === 'beam'))
      finishFeature(closes ? tool.points : points);
    else onTool({ ...tool, points });
  };
  const finishFeature = (points: readonly Point2[]) => {
    if (tool.kind !== 'feature') return;
    const { make } = tool;
    const id = newRecordId('f');
    const title = text('edit.place', { name: term(`features.${make.kind}`).toLowerCase() });
    if (edit(title, placeFeature(document, { id, levelId, make, points }))) onSelect({ kind: 'feature', ids: [id] });
    onTool(make.shape === 'point' ? tool : { ...tool, points: [] });
  };
  const placeShaft = (p: Point2) => {
    const isRack = tool.kind === 'rack';
    const id = newRecordId(isRack ? 'k' : 'z');
    const name = isRack ? `${text('survey.rack')} ${freeRackCode(document)}` : text('survey.riser');
    const operations = (isRack ? placeRack : placeRiser)(document, { id, levelId, at: p, name });
    if (edit(text('edit.place', { name }), operations)) onSelect({ kind: isRack ? 'rack' : 'riser', ids: [id] });
    onTool(SELECT);
  };

  const typedAt =
    tool.kind === 'walls' && pointer
      ? typedCorner(tool.draw, pointer.point, gridAngleRad, (typed) => {
          const parsed = parseLength(typed, units);
          return parsed.ok ? parsed.value : null;
        })
      : null;
  const target = typedAt ?? pointer?.point;
  return (
    <Sheet
      control={control}
      className={`survey tool-${tool.kind === 'select' ? 'select' : 'place'}`}
      aria-label={text('plan.canvas', { level: document.levels[levelId]?.name ?? '' })}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerDown={onPointerDown}
      onPointerLeave={() => setPointer(null)}
      onClick={onClick}
      onDoubleClick={() => {
        if (tool.kind === 'feature' && tool.points.length >= (tool.make.shape === 'area' ? 3 : 2)) finishFeature(tool.points);
      }}
      onContextMenu={(event) => {
        event.preventDefault();
        if (tool.kind !== 'select') return;
        const hit = surveyHit(document, levelId, control.toWorld(event.clientX, event.clientY), 8 / control.camera.k, hidden);
        if (hit && !(selection.kind === hit.kind && selection.ids.includes(hit.id))) onSelect({ kind: hit.kind, ids: [hit.id] });
        onMenu({ x: event.clientX, y: event.clientY });
      }}
    >
      {!hidden.has('underlay') && (
        <UnderlayLayer
          projectId={projectId}
          document={shown}
          levelId={levelId}
          camera={control.camera}
          showRetired={!hidden.has('retired')}
        />
      )}
      <BuildingLayer
        document={shown}
        levelId={levelId}
        overUnderlay={Object.values(document.underlays).some((u) => u.levelId === levelId && !u.retired)}
      />
      <FeaturesLayer document={shown} levelId={levelId} hidden={hidden} scale={control.camera.k} />
      {!hidden.has('labels') && (
        <LabelLayer document={shown} levelId={levelId} devices={NO_DEVICES} lines={NO_LINES} camera={control.camera} />
      )}
      {tool.kind === 'select' && <SelectionOverlay document={shown} selection={selection} onGrip={onGrip} />}
      {boxFrom && pointer && <path className="box-select" d={boxPath(boxFrom, pointer.point)} />}
      {tool.kind !== 'select' && (
        <Draft
          tool={tool}
          target={target}
          snap={typedAt ? null : pointer}
          gridAngleRad={gridAngleRad}
          label={(m) => formatLength(m, units)}
          flip={target !== undefined && target[0] * control.camera.k + control.camera.tx > window.innerWidth - 560}
        />
      )}
    </Sheet>
  );
}
