import { onLevel } from '@dusky-spool/core/derive';
import { joistsOf } from '@dusky-spool/core/house';
import { boundsOf, formatLength, type Point2, pointInPolygon } from '@dusky-spool/core/math';
import type { Feature, ProjectDocument, Room } from '@dusky-spool/core/model';
import { type Theatre, type TheatreFrame, type TheatreView, boxOn, footprintsOf, outlineOn } from '@dusky-spool/core/theatre';
import { memo } from 'react';
import { term } from '../../ground/text.ts';
import type { TheatreScale } from './theatre-view.ts';
import { pathOf } from './path.ts';
import css from './theatre.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly room: Room;
  readonly theatre: Theatre;
  readonly view: TheatreView;
  readonly frame: TheatreFrame;
  readonly scale: TheatreScale;
}

const OVERHEAD: ReadonlySet<string> = new Set(['beam', 'soffit', 'steel', 'duct']);

/** The room itself: walls, joists, beams, and furniture that is not sat on. */
export const TheatreHouse = memo(function TheatreHouse({ project, room, view, frame, scale }: Props) {
  const things = onLevel(project, 'features', room.levelId).filter(
    ({ points, chosen, kind }) =>
      chosen &&
      (OVERHEAD.has(kind) || kind === 'steps' || kind === 'table' || kind === 'cabinet' || kind === 'fireplace') &&
      points.some((p) => pointInPolygon(p as Point2, room.polygon as Point2[], 0.3)),
  );
  return (
    <>
      <path className={css.room} d={pathOf(outlineOn(view, frame).map(scale.at), true)} />
      {view === 'top' &&
        joistsOf(project, room).map(({ a, b }, n) => (
          <path
            key={n}
            className={css.joist}
            d={pathOf(
              [a, b].map(([x, y]) => scale.at(frame.insideOf([x, y, 0]))),
              false,
            )}
          />
        ))}
      {things.map((feature) => (
        <g key={feature.id}>
          {footprintsOf(feature).map((footprint, n) => (
            <Thing key={n} {...{ project, feature, footprint, view, frame, scale }} />
          ))}
        </g>
      ))}
    </>
  );
});

function Thing({
  project,
  feature,
  footprint,
  view,
  frame,
  scale,
}: {
  readonly project: ProjectDocument;
  readonly feature: Feature;
  readonly footprint: readonly Point2[];
  readonly view: TheatreView;
  readonly frame: TheatreFrame;
  readonly scale: TheatreScale;
}) {
  const corners = footprint.map(([x, y]) => frame.insideOf([x, y, feature.bottomM]));
  const points = boxOn(view, corners, feature).map(scale.at);
  const { minX, maxX, minY, maxY } = boundsOf(points.map(([x, y]) => [x, y] as Point2))!;
  const isOver = OVERHEAD.has(feature.kind);
  const { units } = project.project;
  const name = feature.name || term(`features.${feature.kind}`);
  return (
    <g className={isOver ? css.overhead : css.furniture}>
      <path d={pathOf(points, true)}>
        <title>{name}</title>
      </path>
      {view !== 'front' && isOver && (
        <text
          x={view === 'top' ? minX + 6 : (minX + maxX) / 2}
          y={view === 'top' ? (minY + maxY) / 2 + 4 : maxY + 12}
          textAnchor={view === 'top' ? 'start' : 'middle'}
        >
          {`${name} · ${formatLength(feature.bottomM, units)}`}
        </text>
      )}
    </g>
  );
}
