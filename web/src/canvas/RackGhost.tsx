import type { RackPlace } from '@dusky-spool/core/devices';
import css from './canvas.module.css';

/** Where a rack would stand. */
export const RackGhost = ({ place: { x, y, facingRad, widthM, depthM } }: { readonly place: RackPlace }) => (
  <g className={`ghost ${css.rack}`} transform={`translate(${x},${y}) rotate(${(facingRad * 180) / Math.PI + 90})`}>
    <rect x={-widthM / 2} y={-depthM / 2} width={widthM} height={depthM} rx={0.03} />
  </g>
);
