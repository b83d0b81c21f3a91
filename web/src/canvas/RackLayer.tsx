import { onLevel } from '@dusky-spool/core/derive';
import type { ProjectDocument } from '@dusky-spool/core/model';
import type { KeyboardEvent, PointerEvent } from 'react';
import { text } from '../ground/text.ts';
import css from './canvas.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly selected: readonly string[];
  readonly onPress: (rackId: string, event: PointerEvent) => void;
  readonly onKeyDown: (rackId: string, event: KeyboardEvent) => void;
}

/** The racks of a level as things to be taken hold of. They are drawn with the house. */
export function RackLayer({ project, levelId, selected, onPress, onKeyDown }: Props) {
  return onLevel(project, 'racks', levelId).map(({ id, name, x, y, widthM, depthM, facingRad }) => (
    <g key={id} transform={`translate(${x},${y}) rotate(${(facingRad * 180) / Math.PI + 90})`}>
      <rect
        role="button"
        tabIndex={-1}
        data-stop=""
        aria-label={text('plan.rack', { name })}
        aria-pressed={selected.includes(id)}
        className={`grab ${css.rackGrip}${selected.includes(id) ? ' chosen' : ''}`}
        x={-widthM / 2}
        y={-depthM / 2}
        width={widthM}
        height={depthM}
        onPointerDown={(event) => onPress(id, event)}
        onKeyDown={(event) => onKeyDown(id, event)}
      />
    </g>
  ));
}
