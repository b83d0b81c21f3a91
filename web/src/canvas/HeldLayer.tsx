import type { CSSProperties } from 'react';
import { attachmentOf } from '@dusky-spool/core/building';
import type { Level, ProjectDocument } from '@dusky-spool/core/project';
import { listOf } from '@dusky-spool/core/project';
import { planRun } from '@dusky-spool/core/runs';
import { BeadShape } from '../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../ui/systems.ts';
import { MARGIN_PX } from './picture.ts';
import { linesOf } from './route-drawing.ts';
import type { Camera } from './useCamera.ts';

interface Props {
  /** The project with the devices where the pointer has them. */
  readonly document: ProjectDocument;
  readonly ids: ReadonlySet<string>;
  readonly levels: readonly Level[];
  readonly levelId: string;
  readonly camera: Camera;
}

/**
 * Devices in the hand with their runs, in a picture of its own above the plan: the plan below is neither drawn nor painted
 * again while they move.
 */
export function HeldLayer({ document, ids, levels, levelId, camera: { k, tx, ty } }: Props) {
  const routes = new Map(Object.values(document.routes).map((route) => [route.runId, route]));
  const runs = listOf(document, 'runs')
    .filter(({ deviceId }) => ids.has(deviceId))
    .map((run) => planRun(document, run, routes.get(run.id) ?? null));
  return (
    <g
      className="world"
      transform={`translate(${tx + MARGIN_PX},${ty + MARGIN_PX}) scale(${k},${-k})`}
      style={{ '--inv': String(1 / k) } as CSSProperties}
    >
      {linesOf(runs, document.deviceTypes, levels, levelId).map(({ runId, system, path }) => (
        <g key={runId} className="run chosen">
          <path d={path} className="run-halo" />
          <path d={path} className="run-line" stroke={SYSTEM_STYLE[system].colour} strokeDasharray={SYSTEM_STYLE[system].dash} />
        </g>
      ))}
      {[...ids].map((id) => {
        const device = document.devices[id];
        const type = document.deviceTypes[device.typeId];
        return (
          <g key={id} className="device chosen" transform={`translate(${device.x},${device.y})`}>
            <g className="upright">
              <circle r={20} className="chosen-ring" />
              <BeadShape
                code={type.code}
                system={type.system}
                facingRad={attachmentOf(type) === 'wall' ? device.facingRad : null}
              />
            </g>
          </g>
        );
      })}
    </g>
  );
}
