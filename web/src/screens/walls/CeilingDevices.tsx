import { faceOf, mountTypeOf, rankOf } from '@dusky-spool/core/devices';
import { formatLength } from '@dusky-spool/core/math';
import type { Device, ProjectDocument } from '@dusky-spool/core/model';
import { BeadShape } from '../../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { faceTurn, labelFaces } from './face-labels.ts';
import { FaceShape } from './WallDevices.tsx';
import type { KeyboardEvent, PointerEvent } from 'react';
import css from './walls.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly devices: readonly Device[];
  readonly k: number;
  readonly chosen: ReadonlySet<string>;
  readonly onPointerDown: (deviceId: string, event: PointerEvent) => void;
  readonly onKey: (deviceId: string, event: KeyboardEvent) => void;
}

/** A leader is drawn where a label is this far from its device, px. */
const LEADER_FROM_PX = 4;

/** What hangs on a ceiling, each with its label and height. */
export function CeilingDevices({ project, devices, k, chosen, onPointerDown, onKey }: Props) {
  const { units } = project.project;
  const labels = labelFaces(
    devices.map((device) => {
      const { widthM, heightM } = faceOf(project.deviceTypes[device.typeId], null);
      const words = device.heightM === null ? '' : formatLength(device.heightM, units);
      return { id: device.id, x: device.x * k, y: -device.y * k, width: widthM * k, height: heightM * k, words };
    }),
  );
  return devices.map((device) => {
    const type = project.deviceTypes[device.typeId];
    const label = labels.get(device.id)!;
    const [bx, by] = [label.bead[0] - device.x * k, label.bead[1] + device.y * k];
    const isChosen = chosen.has(device.id);
    return (
      <g
        key={device.id}
        className={`${css.wallFace} ${rankOf(project, device)}${isChosen ? ' chosen' : ''}${device.fitting === 'fitted' ? '' : ' prepared'}`}
        transform={`translate(${device.x},${device.y})`}
        role="button"
        tabIndex={0}
        aria-label={`${type.code} ${device.name || type.name}`}
        aria-pressed={isChosen}
        data-device={device.id}
        onPointerDown={(event) => onPointerDown(device.id, event)}
        onKeyDown={(event) => onKey(device.id, event)}
        style={{ color: SYSTEM_STYLE[type.system].colour }}
      >
        <g className="upright">
          <g transform={faceTurn(device.facingRad)}>
            <FaceShape face={faceOf(type, mountTypeOf(project, device))} k={k} />
          </g>
          {Math.hypot(bx, by) > LEADER_FROM_PX && <path className={css.faceLeader} d={`M0 0L${bx} ${by}`} />}
          <g transform={`translate(${bx},${by})`}>
            {isChosen && <circle r={20} className="chosen-ring" />}
            <BeadShape code={type.code} system={type.system} facingRad={null} />
          </g>
          {label.words && device.heightM !== null && (
            <text x={label.words[0] - device.x * k} y={label.words[1] + device.y * k}>
              {formatLength(device.heightM, units)}
            </text>
          )}
        </g>
      </g>
    );
  });
}
