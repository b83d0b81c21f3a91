import { snapDrawing, surveyHit } from '@dusky-spool/core/house';
import { formatLength } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { useCallback, useLayoutEffect, useMemo, useState, type MouseEvent } from 'react';
import { BuildingLayer } from '../../canvas/BuildingLayer.tsx';
import { FeaturesLayer } from '../../canvas/FeaturesLayer.tsx';
import { focusInspector } from '../../canvas/inspector-focus.ts';
import { LabelLayer } from '../../canvas/LabelLayer.tsx';
import { pathThrough } from '../../canvas/room-drawing.ts';
import { Sheet } from '../../canvas/Sheet.tsx';
import { SNAP_PX } from '../../canvas/tools/snapping.ts';
import { ANGLE_STEP_RAD, type Pointer } from '../../canvas/tools/draw-walls.ts';
import { drawnPoints, targetOf } from '../../canvas/tools/survey-tool.ts';
import { UnderlayLayer } from '../../canvas/UnderlayLayer.tsx';
import { useBoxSelect } from '../../canvas/useBoxSelect.ts';
import type { Camera, CameraControl } from '../../canvas/useCamera.ts';
import { useFirstFit } from '../../canvas/useFirstFit.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection, toggled } from '../../state/selection-kinds.ts';
import { insideOf } from '../../state/survey-selection.ts';
import { Draft } from './Draft.tsx';
import { Magnifier } from './Magnifier.tsx';
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
  const box = useBoxSelect(control, isSelecting, ({ holds }) => onSelect(insideOf(project, levelId, holds, hidden)));
  useFirstFit(props, true);
  const hitAt = ({ clientX, clientY }: { clientX: number; clientY: number }) =>
    surveyHit(project, levelId, control.toWorld(clientX, clientY), HIT_PX / camera.k, hidden);
  const onClick = (event: MouseEvent) => {
    const [endsDrag, endsBox] = [drag.takesClick(), box.takesClick()];
    if (event.defaultPrevented || endsDrag || endsBox) return;
    if (!isSelecting) return toolControl.click(pointer.at(event));
    const hit = hitAt(event);
    if (event.shiftKey && hit?.kind === selection.kind) return onSelect(toggled(selection, hit.id));
    if (!event.shiftKey || hit) onSelect(hit ? { kind: hit.kind, ids: [hit.id] } : noSelection);
  };
  const onContextMenu = (event: MouseEvent) => {
    event.preventDefault();
    if (!isSelecting) return;
    const hit = hitAt(event);
    if (hit && !(selection.kind === hit.kind && selection.ids.includes(hit.id))) onSelect({ kind: hit.kind, ids: [hit.id] });
    onMenu({ x: event.clientX, y: event.clientY });
  };
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
      onDoubleClick={isSelecting ? focusInspector : tool.kind === 'feature' ? toolControl.finish : undefined}
      onContextMenu={onContextMenu}
      dragged={
        <Magnifier
          {...{ projectId, levelId, camera }}
          project={shown}
          at={tool.kind === 'scale' ? pointer.pointer?.snap.point : null}
        />
      }
    >
      <SurveyPicture {...{ projectId, levelId, camera }} project={shown} />
      {isSelecting && <SelectionOverlay project={shown} selection={selection} onGrip={drag.onGrip} />}
      {box.outline && <path className="box-select" d={pathThrough(box.outline, true)} />}
      {!isSelecting && (
        <Draft
          tool={tool}
          drawn={pointer.drawn}
          target={pointer.target}
          snap={pointer.pointer?.snap ?? null}
          gridAngleRad={pointer.gridAngleRad}
          label={(m) => formatLength(m, project.project.units)}
          flip={pointer.target !== null && pointer.target.point[0] * camera.k + camera.tx > window.innerWidth - FLIP_PX}
        />
      )}
    </Sheet>
  );
}

/** What is drawn on a level: its plan pictures, walls, things and names. */
function SurveyPicture({
  projectId,
  levelId,
  camera,
  project,
}: {
  readonly projectId: string;
  readonly levelId: string;
  readonly camera: Camera;
  readonly project: ProjectDocument;
}) {
  const { hidden } = useSurveyView();
  const isOverUnderlay = Object.values(project.underlays).some((u) => u.levelId === levelId && !u.retired);
  return (
    <>
      {!hidden.has('underlay') && (
        <UnderlayLayer
          projectId={projectId}
          project={project}
          levelId={levelId}
          camera={camera}
          showRetired={!hidden.has('retired')}
        />
      )}
      <BuildingLayer project={project} levelId={levelId} overUnderlay={isOverUnderlay} />
      <FeaturesLayer project={project} levelId={levelId} hidden={hidden} scale={camera.k} />
      {!hidden.has('labels') && (
        <LabelLayer project={project} levelId={levelId} devices={NO_DEVICES} lines={NO_LINES} camera={camera} />
      )}
    </>
  );
}

type ScreenPoint = Pick<MouseEvent, 'clientX' | 'clientY' | 'shiftKey'>;

/** Where the pointer is, what it is drawn to, and what the tool would do there. */
function useDraftPointer({ projectId, levelId, toolControl, control }: Props, walls: Parameters<typeof snapDrawing>[1]['walls']) {
  const { tool, context, pointer: pointerRef } = toolControl;
  const project = useProject();
  const { hidden, gridM } = useSurveyView();
  const linesNear = useUnderlayLines(projectId, project, levelId);
  const gridAngleRad = project.levels[levelId]?.gridAngleRad ?? 0;
  const [at, setAt] = useState<ScreenPoint | null>(null);
  const drawn = useMemo(() => drawnPoints(tool, context), [tool, context]);
  const from = drawn.at(-1);
  const pointerAt = useCallback(
    (event: ScreenPoint): Pointer => {
      const at = control.toWorld(event.clientX, event.clientY);
      // Shift turns the lock round for one corner.
      const isLocked = tool.kind === 'walls' && tool.draw.angleLock !== event.shiftKey;
      const reachM = SNAP_PX / control.camera.k;
      // What is measured on a picture lies on the picture's own marks, never on the grid or on walls drawn over it.
      if (tool.kind === 'scale' || tool.kind === 'crop') {
        const underlayLines = tool.kind === 'scale' ? linesNear(at, reachM) : [];
        return { at, snap: snapDrawing(at, { walls: [], gridAngleRad, gridM: 0, angleLockRad: 0, underlayLines }, reachM) };
      }
      const underlayLines = hidden.has('underlay') ? [] : linesNear(at, reachM);
      const angleLockRad = isLocked ? ANGLE_STEP_RAD : 0;
      const sources = { walls, from, corners: drawn, gridAngleRad, gridM, angleLockRad, underlayLines };
      return { at, snap: snapDrawing(at, sources, reachM) };
    },
    [control, tool, walls, from, drawn, gridAngleRad, gridM, hidden, linesNear],
  );
  // A pointer that stays where it is is drawn to other things after a corner was set by keys.
  const pointer = useMemo(() => at && pointerAt(at), [at, pointerAt]);
  useLayoutEffect(() => {
    pointerRef.current = pointer;
  });
  return {
    ...{ pointer, drawn, gridAngleRad },
    target: targetOf(tool, pointer, context),
    at: pointerAt,
    onMove: ({ clientX, clientY, shiftKey }: ScreenPoint) => {
      // A key that is pressed before the next picture finds the pointer where it is.
      pointerRef.current = pointerAt({ clientX, clientY, shiftKey });
      setAt({ clientX, clientY, shiftKey });
    },
    onLeave: () => setAt(null),
  };
}
