import { type Snap, snapDrawing, surveyHit } from '@dusky-spool/core/house';
import { formatLength, type Point2 } from '@dusky-spool/core/math';
import { useCallback, useLayoutEffect, useMemo, useState, type MouseEvent } from 'react';
import { BuildingLayer } from '../../canvas/BuildingLayer.tsx';
import { FeaturesLayer } from '../../canvas/FeaturesLayer.tsx';
import { LabelLayer } from '../../canvas/LabelLayer.tsx';
import { boxPath } from '../../canvas/room-drawing.ts';
import { Sheet } from '../../canvas/Sheet.tsx';
import { SNAP_PX } from '../../canvas/tools/snapping.ts';
import { drawnPoints, typedTarget } from '../../canvas/tools/survey-tool.ts';
import { UnderlayLayer } from '../../canvas/UnderlayLayer.tsx';
import { useBoxSelect } from '../../canvas/useBoxSelect.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { useFirstFit } from '../../canvas/useFirstFit.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { inBox } from '../../state/survey-selection.ts';
import { Draft } from './Draft.tsx';
import { SelectionOverlay } from './SelectionOverlay.tsx';
import { useGripDrag } from './useGripDrag.ts';
import type { SurveyToolControl } from './useSurveyTool.ts';
import { useSurveyView } from './useSurveyView.ts';
import { useUnderlayLines } from './useUnderlayLines.ts';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly toolControl: SurveyToolControl;
  readonly leftPx: number;
  readonly control: CameraControl;
  readonly onSelect: (selection: Selection) => void;
  readonly onMenu: (at: { x: number; y: number }) => void;
}

/** A click selects what is this near on the screen, px. */
const HIT_PX = 8;
/** Words of the draft stand on the left of the pointer where the right edge is this near, px. */
const FLIP_PX = 560;
const ANGLE_STEP_RAD = Math.PI / 12;
const NO_LINES: readonly never[] = [];
const NO_DEVICES: readonly never[] = [];

/** The survey sheet of one level: walls, openings and things are drawn, selected and moved by pointer. */
export function SurveyCanvas(props: Props) {
  const { projectId, levelId, selection, toolControl, control, onSelect, onMenu } = props;
  const { tool } = toolControl;
  const { camera } = control;
  const project = useProject();
  const { preview } = useProjectParts('preview');
  const { hidden } = useSurveyView();
  const shown = preview?.project ?? project;
  const isSelecting = tool.kind === 'select';
  const walls = useMemo(() => Object.values(project.walls).filter((wall) => wall.levelId === levelId), [project.walls, levelId]);
  const pointer = useDraftPointer(props, walls);
  const drag = useGripDrag(levelId, walls, control, isSelecting);
  const box = useBoxSelect(control, isSelecting, (first, second) => onSelect(inBox(project, levelId, first, second, hidden)));
  useFirstFit(props, true);
  const hitAt = ({ clientX, clientY }: { clientX: number; clientY: number }) =>
    surveyHit(project, levelId, control.toWorld(clientX, clientY), HIT_PX / camera.k, hidden);
  const onClick = (event: MouseEvent) => {
    const [endsDrag, endsBox] = [drag.takesClick(), box.takesClick()];
    if (event.defaultPrevented || endsDrag || endsBox) return;
    if (!isSelecting) return toolControl.click(pointer.targetAt(event));
    const hit = hitAt(event);
    onSelect(hit ? { kind: hit.kind, ids: [hit.id] } : noSelection);
  };
  const onContextMenu = (event: MouseEvent) => {
    event.preventDefault();
    if (!isSelecting) return;
    const hit = hitAt(event);
    if (hit && !(selection.kind === hit.kind && selection.ids.includes(hit.id))) onSelect({ kind: hit.kind, ids: [hit.id] });
    onMenu({ x: event.clientX, y: event.clientY });
  };
  const isOverUnderlay = Object.values(project.underlays).some((u) => u.levelId === levelId && !u.retired);
  return (
    <Sheet
      control={control}
      className={`survey tool-${isSelecting ? 'select' : 'place'}`}
      aria-label={text('plan.canvas', { level: project.levels[levelId]?.name ?? '' })}
      onPointerMove={(event) => {
        drag.onPointerMove(event);
        box.onPointerMove(event);
        if (!isSelecting) pointer.onMove(event);
      }}
      onPointerUp={(event) => box.onPointerUp(event) || drag.onPointerUp(event)}
      onPointerDown={box.onPointerDown}
      onPointerLeave={pointer.onLeave}
      onClick={onClick}
      onDoubleClick={toolControl.tool.kind === 'feature' ? toolControl.finish : undefined}
      onContextMenu={onContextMenu}
    >
      {!hidden.has('underlay') && (
        <UnderlayLayer
          projectId={projectId}
          project={shown}
          levelId={levelId}
          camera={camera}
          showRetired={!hidden.has('retired')}
        />
      )}
      <BuildingLayer project={shown} levelId={levelId} overUnderlay={isOverUnderlay} />
      <FeaturesLayer project={shown} levelId={levelId} hidden={hidden} scale={camera.k} />
      {!hidden.has('labels') && (
        <LabelLayer project={shown} levelId={levelId} devices={NO_DEVICES} lines={NO_LINES} camera={camera} />
      )}
      {isSelecting && <SelectionOverlay project={shown} selection={selection} onGrip={drag.onGrip} />}
      {box.box && <path className="box-select" d={boxPath(...box.box)} />}
      {!isSelecting && (
        <Draft
          tool={tool}
          target={pointer.target ?? undefined}
          snap={pointer.isTyped ? null : pointer.snap}
          gridAngleRad={pointer.gridAngleRad}
          label={(m) => formatLength(m, project.project.units)}
          flip={pointer.target !== null && pointer.target[0] * camera.k + camera.tx > window.innerWidth - FLIP_PX}
        />
      )}
    </Sheet>
  );
}

/** Where the tool would set its next point: what the pointer is drawn to, or where a typed length ends. */
function useDraftPointer({ projectId, levelId, toolControl, control }: Props, walls: Parameters<typeof snapDrawing>[1]['walls']) {
  const { tool, context, target: targetRef } = toolControl;
  const project = useProject();
  const { hidden, gridM } = useSurveyView();
  const linesNear = useUnderlayLines(projectId, project, levelId);
  const gridAngleRad = project.levels[levelId]?.gridAngleRad ?? 0;
  const [snap, setSnap] = useState<Snap | null>(null);
  const from = drawnPoints(tool).at(-1);
  const snapAt = useCallback(
    (event: { clientX: number; clientY: number; shiftKey: boolean }): Snap => {
      const p = control.toWorld(event.clientX, event.clientY);
      const isLocked = tool.kind === 'walls' && (tool.draw.angleLock || event.shiftKey);
      const reachM = SNAP_PX / control.camera.k;
      const underlayLines = hidden.has('underlay') ? [] : linesNear(p, reachM);
      const angleLockRad = isLocked ? ANGLE_STEP_RAD : 0;
      return snapDrawing(p, { walls, from, gridAngleRad, gridM, angleLockRad, underlayLines }, reachM);
    },
    [control, tool, walls, from, gridAngleRad, gridM, hidden, linesNear],
  );
  // An angle needs no pointer.
  const towards = snap?.point ?? (tool.kind === 'walls' && tool.draw.typed.includes('<') ? from : undefined);
  const typed = towards ? typedTarget(tool, towards, context) : null;
  const target: Point2 | null = typed ?? snap?.point ?? null;
  // Enter sets the corner where the preview shows it.
  useLayoutEffect(() => {
    targetRef.current = typed;
  });
  return {
    snap,
    targetAt: (event: { clientX: number; clientY: number; shiftKey: boolean }): Point2 => {
      const { point } = snapAt(event);
      return typedTarget(tool, point, context) ?? point;
    },
    target,
    isTyped: typed !== null,
    gridAngleRad,
    onMove: (event: { clientX: number; clientY: number; shiftKey: boolean }) => setSnap(snapAt(event)),
    onLeave: () => setSnap(null),
  };
}
