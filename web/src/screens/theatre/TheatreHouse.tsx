import { onLevel } from '@dusky-spool/core/derive';
import { joistsOf } from '@dusky-spool/core/house';
import { boundsOf, formatLength, type Point2, pointInPolygon } from '@dusky-spool/core/math';
import type { Feature, ProjectDocument, Room } from '@dusky-spool/core/model';
import {
  type Theatre,
  type Inside,
  type TheatreFrame,
  type TheatreView,
  footprintsOf,
  outlineOn,
} from '@dusky-spool/core/theatre';
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
  const flat = view === 'top' ? corners : boxOf(corners, view, feature);
  const points = flat.map(scale.at);
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

/** The box of a footprint as it is seen from the side or from the seats. */
function boxOf(corners: readonly Inside[], view: 'side' | 'front', { bottomM, topM }: Feature): Inside[] {
  const along = corners.map(({ awayM, asideM }) => (view === 'side' ? awayM : asideM));
  const place = (at: number, upM: number): Inside =>
    view === 'side' ? { asideM: 0, awayM: at, upM } : { asideM: at, awayM: 0, upM };
  const [from, to] = [Math.min(...along), Math.max(...along)];
  return [place(from, bottomM), place(to, bottomM), place(to, topM), place(from, topM)];
}
