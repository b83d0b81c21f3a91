import type { SystemName } from '@dusky-spool/core/model';
import { SYSTEM_STYLE } from './systems.ts';
import css from './ui.module.css';

interface Props {
  readonly code: string;
  readonly system: SystemName;
  /** Direction of the beak, counter-clockwise from the right; null for none. */
  readonly facingRad: number | null;
}

/** A device's bead around 0,0 in screen pixels, y down: letter code, system colour, and a beak where it faces. */
export function BeadShape({ code, system, facingRad }: Props) {
  const { colour } = SYSTEM_STYLE[system];
  const reach = facingRad === null ? 0 : Math.abs(Math.cos(facingRad)) * 12 + Math.abs(Math.sin(facingRad)) * 9;
  return (
    <>
      {facingRad !== null && (
        <g transform={`rotate(${(-facingRad * 180) / Math.PI})`}>
          <path d={`M${reach - 1},-5L${reach + 5},0L${reach - 1},5Z`} fill={colour} />
        </g>
      )}
      <rect x={-13} y={-9.5} width={26} height={19} rx={9.5} fill="var(--paper)" stroke={colour} strokeWidth={2} />
      <text y={4.2} textAnchor="middle" className="bead-code" fill={colour}>
        {code}
      </text>
    </>
  );
}

/** A bead by itself, for palettes and lists. */
export function BeadIcon({ code, system }: Pick<Props, 'code' | 'system'>) {
  return (
    <svg width={30} height={22} viewBox="-15 -11 30 22" aria-hidden="true" className={css.beadIcon}>
      <BeadShape code={code} system={system} facingRad={null} />
    </svg>
  );
}
