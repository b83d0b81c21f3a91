import { memo, useMemo } from 'react';
import { zonesOn } from '@dusky-spool/core/devices';
import type { GroupKind, ProjectDocument } from '@dusky-spool/core/model';
import { pathThrough } from './room-drawing.ts';
import css from './canvas.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly kind: GroupKind;
}

/** So far an outline reaches beyond the devices of its zone, m. */
const AROUND_M = 0.5;
/** Colours that stay apart on paper; zones beyond them begin again, and each carries its name. */
const COLOURS = ['copper', 'data', 'shade', 'control', 'light', 'coax', 'picture', 'guard'];

/** Zones of one kind as soft fields around their devices, each with its name. */
export const ZonesLayer = memo(function ZonesLayer({ project, levelId, kind }: Props) {
  const parts = useMemo(() => zonesOn(project, levelId, kind), [project, levelId, kind]);
  const order = [...new Set(parts.map(({ group }) => group.id))];
  return (
    <g className="zones" aria-hidden="true">
      {parts.map(({ group, roomId, outline }) => {
        const top = outline.reduce((best, p) => (p[1] > best[1] ? p : best));
        const left = Math.min(...outline.map(([x]) => x));
        return (
          <g
            key={`${group.id}${roomId}`}
            className={css.zone}
            style={{ color: `var(--${COLOURS[order.indexOf(group.id) % COLOURS.length]})` }}
          >
            <path
              d={pathThrough(outline.length === 1 ? [outline[0], outline[0]] : outline, outline.length > 2)}
              strokeWidth={2 * AROUND_M}
            />
            <g transform={`translate(${left - AROUND_M * 0.6},${top[1] + AROUND_M})`}>
              <text className={`upright ${css.zoneName}`} y={-4}>
                {group.name}
              </text>
            </g>
          </g>
        );
      })}
    </g>
  );
});
