import type { Grip } from '../../commands/drag-grip.ts';
import { featureBox, wallFootprint, wallPoint } from '@dusky-spool/core/house';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { pathThrough } from '../../canvas/room-drawing.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import type { PointerEvent } from 'react';
import css from './survey.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly selection: Selection;
  readonly onGrip: (grip: Grip, event: PointerEvent) => void;
}

/** What is selected, marked in copper, with handles where it can be taken hold of. */
export function SelectionOverlay({ project, selection, onGrip }: Props) {
  const { kind, ids } = selection;
  return (
    <g className="selected-things">
      {kind === 'wall' && <Walls project={project} ids={ids} onGrip={onGrip} />}
      {kind === 'room' &&
        ids.map(
          (id) =>
            project.rooms[id] && <path key={id} className={css.pickedArea} d={pathThrough(project.rooms[id].polygon, true)} />,
        )}
      {kind === 'opening' &&
        ids.map((id) => {
          const opening = project.openings[id];
          const wall = opening && project.walls[opening.wallId];
          if (!wall) return null;
          const [from, to] = [opening.offsetM - opening.widthM / 2, opening.offsetM + opening.widthM / 2];
          const strip = wallFootprint({
            ...wall,
            a: [...wallPoint(wall, from)],
            b: [...wallPoint(wall, to)],
            thicknessM: wall.thicknessM * 1.4,
          });
          return (
            <path
              key={id}
              className={`${css.picked} grab`}
              d={pathThrough(strip, true)}
              onPointerDown={(event) => onGrip({ kind: 'opening', id }, event)}
            />
          );
        })}
      {kind === 'feature' &&
        ids.map((id) => {
          const feature = project.features[id];
          if (!feature) return null;
          const ring = feature.points.length === 1 ? featureBox(feature) : feature.points;
          return (
            <g key={id}>
              <path
                className={feature.points.length === 1 || feature.area ? `${css.picked} grab` : `${css.pickedLine} grab`}
                d={pathThrough(ring, feature.points.length === 1 || feature.area)}
                onPointerDown={(event) => onGrip({ kind: 'features', ids }, event)}
              />
              {feature.points.length > 1 &&
                ids.length === 1 &&
                feature.points.map((p, index) => (
                  <Handle key={index} at={p} onPointerDown={(event) => onGrip({ kind: 'feature-point', id, index }, event)} />
                ))}
            </g>
          );
        })}
      {(kind === 'rack' || kind === 'riser') &&
        ids.map((id) => {
          const thing = kind === 'rack' ? project.racks[id] : project.risers[id];
          if (!thing) return null;
          const box = featureBox({ points: [[thing.x, thing.y]], widthM: thing.widthM, depthM: thing.depthM, facingRad: 0 });
          return (
            <path
              key={id}
              className={`${css.picked} grab`}
              d={pathThrough(box, true)}
              onPointerDown={(event) => onGrip({ kind, id }, event)}
            />
          );
        })}
      {kind === 'dimension' &&
        ids.map((id) => {
          const one = project.dimensions[id];
          return one && <path key={id} className={css.pickedLine} d={pathThrough([one.a, one.b])} />;
        })}
    </g>
  );
}

function Walls({
  project,
  ids,
  onGrip,
}: {
  readonly project: ProjectDocument;
  readonly ids: readonly string[];
  readonly onGrip: Props['onGrip'];
}) {
  const walls = ids.flatMap((id) => project.walls[id] ?? []);
  return (
    <>
      {walls.map((wall) => (
        <path
          key={wall.id}
          className={`${css.picked} grab`}
          d={pathThrough(wallFootprint(wall), true)}
          onPointerDown={(event) => onGrip({ kind: 'walls', ids }, event)}
        />
      ))}
      {walls.length === 1 &&
        [walls[0].a, walls[0].b].map((at, end) => (
          <Handle key={end} at={at} onPointerDown={(event) => onGrip({ kind: 'corner', at }, event)} />
        ))}
    </>
  );
}

function Handle({
  at,
  onPointerDown,
}: {
  readonly at: readonly [number, number];
  readonly onPointerDown: (event: PointerEvent) => void;
}) {
  return (
    <g transform={`translate(${at[0]},${at[1]})`} className="grab" onPointerDown={onPointerDown}>
      <rect className={`upright ${css.handle}`} x={-6} y={-6} width={12} height={12} rx={2} />
    </g>
  );
}
