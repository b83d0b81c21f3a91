import { memo } from 'react';
import { type Point2, pointInPolygon } from '@dusky-spool/core/math';
import type { ProjectDocument, Room } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { featureBox, featureMake, type JoistLine } from '@dusky-spool/core/house';
import { term } from '../../ground/text.ts';
import { pathThrough } from '../../canvas/room-drawing.ts';
import css from './walls.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly room: Room;
  readonly joists: readonly JoistLine[];
}

/** Lower than this a thing is not at the ceiling, m. */
const OVERHEAD_M = 1.8;
const SHOWN: ReadonlySet<string> = new Set(['obstacle', 'service', 'way', 'existing']);

/** A ceiling as it stands: its outline, its joists, and what is in or below it. */
export const CeilingDrawing = memo(function CeilingDrawing({ project, room, joists }: Props) {
  const things = onLevel(project, 'features', room.levelId).filter(
    ({ kind, topM, points }) =>
      SHOWN.has(featureMake(kind).group) &&
      topM > OVERHEAD_M &&
      points.some((p) => pointInPolygon(p as Point2, room.polygon as Point2[], 0.05)),
  );
  return (
    <>
      <path d={pathThrough(room.polygon, true)} className={css.elevationWall} vectorEffect="non-scaling-stroke" />
      {joists.map((joist, i) => (
        <path
          key={i}
          d={pathThrough([joist.a, joist.b])}
          className={joist.measured ? `${css.ceilingJoist} measured` : css.ceilingJoist}
          style={{ strokeWidth: joist.widthM }}
        />
      ))}
      {things.map((feature) => (
        <g key={feature.id} className={css.elevationThing}>
          {feature.points.length === 1 ? (
            feature.depthM === 0 ? (
              <circle cx={feature.points[0][0]} cy={feature.points[0][1]} r={feature.widthM / 2} />
            ) : (
              <path d={pathThrough(featureBox(feature), true)} />
            )
          ) : (
            <path
              d={pathThrough(feature.points, feature.area)}
              className={feature.area ? '' : css.thingLine}
              style={feature.area ? undefined : { strokeWidth: feature.widthM }}
            />
          )}
          <g transform={`translate(${feature.points[0][0]},${feature.points[0][1]})`}>
            <text className="upright" y={-6}>
              {feature.name || term(`features.${feature.kind}`)}
            </text>
          </g>
        </g>
      ))}
    </>
  );
});
