import { useProject } from '../../state/open-project.ts';
import { displayWalls, moveDevices } from '@dusky-spool/core/devices';
import type { Device } from '@dusky-spool/core/model';
import { formatLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { useState } from 'react';
import { Button } from 'antd';
import css from './plan.module.css';

interface Props {
  readonly device: Device;
  readonly wallName: (away: readonly [number, number]) => string;
}

/** The walls of a room as places for a display, the best first, with what speaks against each. */
export function DisplayWalls({ device, wallName }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [open, setOpen] = useState(false);
  if (device.roomId === null) return null;
  if (!open)
    return (
      <Button size="small" onClick={() => setOpen(true)}>
        {text('device.displayWalls')}
      </Button>
    );
  const { units } = project.project;
  const type = project.deviceTypes[device.typeId];
  const walls = displayWalls(project, device.roomId, type, device.heightM ?? 1.35);
  if (walls.length === 0) return <p className="faint">{text('device.displayNowhere')}</p>;
  return (
    <ol className={css.displayWalls}>
      {walls.slice(0, 4).map(({ wall, at, facingRad, freeM, offAxisRad, distanceM, reasons }) => (
        <li key={wall.id}>
          <b>
            {text('device.displayWall', {
              wall: wallName([Math.cos(facingRad), Math.sin(facingRad)]),
              free: formatLength(freeM, units),
            })}
          </b>
          {distanceM !== null && offAxisRad !== null && (
            <span className="faint">
              {text('device.displaySeats', {
                distance: formatLength(distanceM, units),
                angle: Math.round((offAxisRad * 180) / Math.PI),
              })}
            </span>
          )}
          <span>
            {reasons.length === 0
              ? text('device.displayBest')
              : reasons.map((reason) => term(`displayReasons.${reason}`)).join(', ')}
          </span>
          <Button
            size="small"
            onClick={() => {
              // A little inward, so that it faces this room.
              const to = [at[0] + Math.cos(facingRad) * 0.1, at[1] + Math.sin(facingRad) * 0.1] as const;
              edit(text('edit.move'), moveDevices(project, [{ deviceId: device.id, to }]));
            }}
          >
            {text('device.moveThere')}
          </Button>
        </li>
      ))}
    </ol>
  );
}
