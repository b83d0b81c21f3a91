import { onLevel } from '@dusky-spool/core/derive';
import { featureBox, joistsOf } from '@dusky-spool/core/house';
import { boundsOf, formatLength, type Point2, pointInPolygon, rotate2 } from '@dusky-spool/core/math';
import type { Feature, ProjectDocument, Room } from '@dusky-spool/core/model';
import { type Theatre, type Inside, type TheatreFrame, type TheatreView, outlineOn } from '@dusky-spool/core/theatre';
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
        <Thing key={feature.id} {...{ project, room, feature, view, frame, scale }} />
      ))}
    </>
  );
});

function Thing({
  project,
  feature,
  view,
  frame,
  scale,
}: {
  readonly project: ProjectDocument;
  readonly room: Room;
  readonly feature: Feature;
  readonly view: TheatreView;
  readonly frame: TheatreFrame;
  readonly scale: TheatreScale;
}) {
  const corners = footprintOf(feature).map(([x, y]) => frame.insideOf([x, y, feature.bottomM]));
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

function footprintOf(feature: Feature): Point2[] {
  const { points, widthM, area } = feature;
  if (points.length === 1) return feature.depthM > 0 ? [...featureBox(feature)] : squareAt(points[0] as Point2, widthM);
  if (area) return points as Point2[];
  const [a, b] = [points[0] as Point2, points[points.length - 1] as Point2];
  const angle = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const [ox, oy] = rotate2([0, widthM / 2], angle);
  return [
    [a[0] + ox, a[1] + oy],
    [b[0] + ox, b[1] + oy],
    [b[0] - ox, b[1] - oy],
    [a[0] - ox, a[1] - oy],
  ];
}

const squareAt = ([x, y]: Point2, widthM: number): Point2[] => {
  const h = widthM / 2;
  return [
    [x - h, y - h],
    [x + h, y - h],
    [x + h, y + h],
    [x - h, y + h],
  ];
};

/** The box of a footprint as it is seen from the side or from the seats. */
function boxOf(corners: readonly Inside[], view: 'side' | 'front', { bottomM, topM }: Feature): Inside[] {
  const along = corners.map(({ awayM, asideM }) => (view === 'side' ? awayM : asideM));
  const place = (at: number, upM: number): Inside =>
    view === 'side' ? { asideM: 0, awayM: at, upM } : { asideM: at, awayM: 0, upM };
  const [from, to] = [Math.min(...along), Math.max(...along)];
  return [place(from, bottomM), place(to, bottomM), place(to, topM), place(from, topM)];
}
