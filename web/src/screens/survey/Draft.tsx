import { distance2, type Point2 } from '@dusky-spool/core/math';
import type { Snap } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import { boxPath, pathThrough } from '../../canvas/room-drawing.ts';
import { drawnPoints, type SurveyTool } from '../../canvas/tools/survey-tool.ts';
import css from './survey.module.css';

/** The shape being drawn, its next side with its length, and what the pointer is drawn to. */
export function Draft({
  tool,
  target,
  snap,
  gridAngleRad,
  label,
  flip,
}: {
  readonly tool: SurveyTool;
  readonly target: Point2 | undefined;
  readonly snap: Snap | null;
  readonly gridAngleRad: number;
  readonly label: (lengthM: number) => string;
  /** Near the right edge words stand on the left of the pointer. */
  readonly flip: boolean;
}) {
  if (!target) return null;
  const points = drawnPoints(tool);
  const last = points.at(-1);
  const lengthM = last ? distance2(last, target) : 0;
  const angle = last ? ((Math.atan2(target[1] - last[1], target[0] - last[0]) - gridAngleRad) * 180) / Math.PI : 0;
  const boxed = tool.kind === 'crop' && last;
  return (
    <g className="draft" pointerEvents="none">
      {snap?.guides.map(([a, b], i) => (
        <path key={i} className="guide" d={pathThrough([a, b])} />
      ))}
      {boxed ? (
        <path className="box-select" d={boxPath(last, target)} />
      ) : (
        points.length > 0 && <path className={css.draftLine} d={pathThrough([...points, target])} />
      )}
      {points.map((p, i) => (
        <g key={i} transform={`translate(${p[0]},${p[1]})`}>
          <circle className={`upright ${css.draftCorner}`} r={4} />
        </g>
      ))}
      <g transform={`translate(${target[0]},${target[1]})`}>
        <g className="upright">
          <circle className={`snap-mark ${snap?.kind ?? 'none'}`} r={5} />
          <text className="draft-text" x={flip ? -12 : 12} y={-10} textAnchor={flip ? 'end' : 'start'}>
            {last && !boxed ? `${label(lengthM)}  ${Math.round(((angle % 360) + 360) % 360)}°` : ''}
          </text>
          {snap && snap.kind !== 'none' && (
            <text className={css.snapName} x={flip ? -12 : 12} y={18} textAnchor={flip ? 'end' : 'start'}>
              {text(`snaps.${snap.kind}`)}
            </text>
          )}
        </g>
      </g>
    </g>
  );
}
