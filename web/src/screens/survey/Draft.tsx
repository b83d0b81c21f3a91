import { distance2, type Point2 } from '@dusky-spool/core/math';
import type { Snap } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import { RackGhost } from '../../canvas/RackGhost.tsx';
import { boxPath, pathThrough, wallBand } from '../../canvas/room-drawing.ts';
import { type SurveyTool, type ToolTarget, typedText } from '../../canvas/tools/survey-tool.ts';
import { useProject } from '../../state/open-project.ts';
import css from './survey.module.css';

interface Props {
  readonly tool: SurveyTool;
  /** Points set so far, m. */
  readonly drawn: readonly Point2[];
  readonly target: ToolTarget | null;
  readonly snap: Snap | null;
  readonly gridAngleRad: number;
  readonly label: (lengthM: number) => string;
  /** Near the right edge words stand on the left of the pointer. */
  readonly flip: boolean;
}

/** The shape being drawn with what a click or Enter adds to it, its length, and what the pointer is drawn to. */
export function Draft({ tool, drawn, target, snap, gridAngleRad, label, flip }: Props) {
  if (!target) return drawn.length > 0 ? <Corners points={drawn} /> : null;
  const last = drawn.at(-1);
  const isBox = tool.kind === 'crop' && last !== undefined;
  const points = target.kind === 'walls' ? target.walls.points : last ? [...drawn, target.point] : [];
  const closes = target.kind === 'walls' && target.walls.closes;
  const measure = measureOf(target, last);
  const isTyped = target.kind !== 'opening' && typedText(tool) !== '';
  const words = measure && !isBox ? `${label(measure.lengthM)}${angleWords(measure, target.point, gridAngleRad)}` : '';
  return (
    <g className="draft" pointerEvents="none">
      {!isTyped && snap?.guides.map(([a, b], i) => <path key={i} className="guide" d={pathThrough([a, b])} />)}
      {tool.kind === 'walls' && <WallBodies points={points} closed={closes} thicknessM={tool.make.thicknessM} />}
      {target.kind === 'opening' && <OpeningGhost target={target} />}
      {target.kind === 'rack' && <RackGhost place={target.rack} />}
      {isBox ? (
        <path className="box-select" d={boxPath(last, target.point)} />
      ) : (
        points.length > 1 && <path className={css.draftLine} d={pathThrough(points, closes)} />
      )}
      {measure && points.length < 2 && <path className="guide" d={pathThrough([measure.from, target.point])} />}
      <Corners points={points.length > 0 ? points : drawn} />
      <g transform={`translate(${target.point[0]},${target.point[1]})`}>
        <g className="upright">
          <circle className={`snap-mark ${snap?.kind ?? 'none'}`} r={5} />
          <text className="draft-text" x={flip ? -12 : 12} y={-10} textAnchor={flip ? 'end' : 'start'}>
            {words}
          </text>
          {!isTyped && (closes || (snap && snap.kind !== 'none')) && (
            <text className={css.snapName} x={flip ? -12 : 12} y={18} textAnchor={flip ? 'end' : 'start'}>
              {text(closes ? 'survey.closes' : `snaps.${snap!.kind}`)}
            </text>
          )}
        </g>
      </g>
    </g>
  );
}

interface Measure {
  readonly from: Point2;
  readonly lengthM: number;
  /** Measured along a wall that is there, from its corner. */
  readonly fromCorner: boolean;
}

function measureOf(target: ToolTarget, last: Point2 | undefined): Measure | null {
  if (target.kind === 'opening') return { from: target.place.corner, lengthM: target.place.lengthM, fromCorner: true };
  if (target.kind === 'walls') return target.walls.length && { ...target.walls.length, fromCorner: last === undefined };
  return last ? { from: last, lengthM: distance2(last, target.point), fromCorner: false } : null;
}

function angleWords({ from, fromCorner }: Measure, to: Point2, gridAngleRad: number): string {
  if (fromCorner) return ` ${text('survey.fromCorner').toLowerCase()}`;
  const degrees = ((Math.atan2(to[1] - from[1], to[0] - from[0]) - gridAngleRad) * 180) / Math.PI;
  // A tenth is shown where there is one: what reads 0° is square.
  return `  ${Number((((degrees % 360) + 360) % 360).toFixed(1)) % 360}°`;
}

function WallBodies({ points, closed, thicknessM }: { points: readonly Point2[]; closed: boolean; thicknessM: number }) {
  const ends = closed ? [...points, points[0]] : points;
  return ends.slice(1).map((b, i) => {
    const a = ends[i];
    if (distance2(a, b) < 1e-6) return null;
    const reach = thicknessM / 2;
    const isFirst = !closed && i === 0;
    const isLast = !closed && i === ends.length - 2;
    const band = wallBand({ a, b, thicknessM }, 0, 1, [isFirst ? 0 : reach, isLast ? 0 : reach]);
    return <path key={i} className={css.draftWall} d={pathThrough(band, true)} />;
  });
}

function OpeningGhost({ target: { opening } }: { readonly target: Extract<ToolTarget, { kind: 'opening' }> }) {
  const wall = useProject().walls[opening.wallId];
  const lengthM = distance2(wall.a, wall.b);
  const [from, to] = [-1, 1].map((side) => (opening.offsetM + (side * opening.widthM) / 2) / lengthM);
  return <path className={css.draftOpening} d={pathThrough(wallBand(wall, from, to), true)} />;
}

const Corners = ({ points }: { readonly points: readonly Point2[] }) => (
  <g pointerEvents="none">
    {points.map((p, i) => (
      <g key={i} transform={`translate(${p[0]},${p[1]})`}>
        <circle className={`upright ${css.draftCorner}`} r={4} />
      </g>
    ))}
  </g>
);
