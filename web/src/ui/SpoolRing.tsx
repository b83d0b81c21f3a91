import type { SystemName } from '@dusky-spool/core/model';
import { SYSTEM_STYLE } from './systems.ts';

interface Props {
  readonly system: SystemName;
  /** Share of the spool that is left, 0 to 1. */
  readonly left: number;
  readonly size?: number;
}

/** A spool from above: a wound ring that thins as cable leaves it. */
export function SpoolRing({ system, left, size = 38 }: Props) {
  const { colour } = SYSTEM_STYLE[system];
  const turns = Math.round(Math.max(0, Math.min(1, left)) * 6);
  return (
    <svg width={size} height={size} viewBox="-20 -20 40 40" aria-hidden="true">
      <circle r={19} fill="var(--paper)" stroke="var(--line)" />
      {Array.from({ length: turns }, (_, i) => (
        <circle key={i} r={6 + i * 2} fill="none" stroke={colour} strokeWidth={1.3} opacity={i % 2 ? 0.65 : 1} />
      ))}
      <circle r={4} fill="none" stroke="var(--ink-faint)" strokeWidth={1.2} />
    </svg>
  );
}
