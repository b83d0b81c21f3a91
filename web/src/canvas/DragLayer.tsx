import type { CSSProperties } from 'react';
import { attachmentOf } from '@dusky-spool/core/house';
import type { Level, ProjectDocument } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { BeadShape } from '../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../ui/systems.ts';
import { linesOf } from './route-drawing.ts';
import type { Camera } from './picture.ts';
import css from './canvas.module.css';

interface Props {
  /** The project with the devices where the pointer has them. */
  readonly project: ProjectDocument;
  /** Their runs, as far as they are worked out. */
  readonly runs?: readonly PlannedRun[];
  readonly ids: ReadonlySet<string>;
  readonly levels: readonly Level[];
  readonly levelId: string;
  readonly camera: Camera;
}

/**
 * Side of the ground below the dragged runs, px: larger than any sheet. With it the picture is as large whatever the runs do, and the
 * browser need not look through all that lies on the plan for what overlaps it.
 */
const GROUND_PX = 8000;
/** Half the side of the picture of one bead with its ring, px. */
const HALF_PX = 24;

/**
 * Dragged devices with their runs, in pictures of their own above the plan: the plan below is neither drawn nor painted
 * again while they move. Runs are painted in every frame; a bead is painted once and its picture moved, which the browser does
 * without looking at anything else.
 */
export function DragLayer({ project, runs = [], ids, levels, levelId, camera: { k, tx, ty } }: Props) {
  return (
    <>
      <svg className={css.dragPicture} aria-hidden="true">
        <g
          className={css.world}
          transform={`translate(${tx},${ty}) scale(${k},${-k})`}
          style={{ '--inv': String(1 / k) } as CSSProperties}
        >
          <rect className={css.dragGround} x={-tx / k} y={ty / k - GROUND_PX / k} width={GROUND_PX / k} height={GROUND_PX / k} />
          {linesOf(runs, project.deviceTypes, levels, levelId).map(({ runId, system, path }) => (
            <g key={runId} className="run chosen">
              <path d={path} className={css.runHalo} />
              <path
                d={path}
                className={css.runLine}
                stroke={SYSTEM_STYLE[system].colour}
                strokeDasharray={SYSTEM_STYLE[system].dash}
              />
            </g>
          ))}
        </g>
      </svg>
      {[...ids].map((id) => {
        const { x, y, typeId, facingRad } = project.devices[id];
        const type = project.deviceTypes[typeId];
        return (
          <svg
            key={id}
            className={`${css.dragBead} ${css.device} chosen`}
            width={2 * HALF_PX}
            height={2 * HALF_PX}
            viewBox={`${-HALF_PX} ${-HALF_PX} ${2 * HALF_PX} ${2 * HALF_PX}`}
            style={{ transform: `translate(${tx + x * k - HALF_PX}px,${ty - y * k - HALF_PX}px)` }}
            aria-hidden="true"
          >
            <circle r={20} className="chosen-ring" />
            <BeadShape code={type.code} system={type.system} facingRad={attachmentOf(type) === 'wall' ? facingRad : null} />
          </svg>
        );
      })}
    </>
  );
}
