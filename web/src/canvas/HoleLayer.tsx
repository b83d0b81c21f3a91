import type { Derived } from '@dusky-spool/core/deltas';
import type { Point2 } from '@dusky-spool/core/math';
import type { Level } from '@dusky-spool/core/model';

interface Props {
  readonly derived: Derived;
  readonly levelId: string;
  readonly levels: readonly Level[];
  readonly runIds: ReadonlySet<string>;
}

/** Holes of the chosen runs as small diamonds, hollow until they are sealed. */
export function HoleLayer({ derived, levelId, levels, runIds }: Props) {
  const places = new Map<string, Point2>();
  for (const id of runIds) {
    const wanted = derived.runById.get(id)?.proposedRoute;
    if (!wanted?.ok) continue;
    for (const { at } of wanted.value.holes) {
      const level = [...levels].reverse().find((l) => l.elevationM <= at[2] + 1e-6);
      if (level?.id === levelId) places.set(`${at[0].toFixed(2)},${at[1].toFixed(2)}`, [at[0], at[1]]);
    }
  }
  return (
    <g className="holes" aria-hidden="true">
      {[...places].map(([key, [x, y]]) => (
        <g key={key} transform={`translate(${x},${y})`}>
          <path className="upright hole" d="M0-6 6 0 0 6-6 0Z" />
        </g>
      ))}
    </g>
  );
}
