import { memo, type KeyboardEvent, type PointerEvent } from 'react';
import type { Device, DeviceType } from '@dusky-spool/core/project';
import { BeadShape } from '../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../ui/systems.ts';

export interface DeviceOnPlan {
  readonly device: Device;
  readonly type: DeviceType;
  readonly label: string;
}

interface Props {
  readonly devices: readonly DeviceOnPlan[];
  readonly selected: ReadonlySet<string>;
  /** Zoomed out, beads are dots; zoomed in, the true size shows as well. */
  readonly scale: number;
  readonly onPointerDown: (deviceId: string, event: PointerEvent) => void;
  readonly onKeyDown: (deviceId: string, event: KeyboardEvent) => void;
}

const DOTS_BELOW = 17;
const TRUE_SIZE_ABOVE = 110;

export const DeviceLayer = memo(function DeviceLayer({ devices, selected, scale, onPointerDown, onKeyDown }: Props) {
  return (
    <g className="devices">
      {devices.map(({ device, type, label }) => {
        const chosen = selected.has(device.id);
        const { colour } = SYSTEM_STYLE[type.system];
        return (
          <g
            key={device.id}
            className={chosen ? 'device chosen' : 'device'}
            transform={`translate(${device.x},${device.y})`}
            role="button"
            tabIndex={0}
            aria-label={label}
            aria-pressed={chosen}
            data-device={device.id}
            onPointerDown={(event) => onPointerDown(device.id, event)}
            onKeyDown={(event) => onKeyDown(device.id, event)}
          >
            {scale > TRUE_SIZE_ABOVE && (
              <g className="true-size" transform={`rotate(${(device.facingRad * 180) / Math.PI + 90})`} stroke={colour}>
                {type.round ? (
                  <circle r={type.sizeM[0] / 2} />
                ) : (
                  <rect x={-type.sizeM[0] / 2} y={-type.sizeM[1] / 2} width={type.sizeM[0]} height={type.sizeM[1]} />
                )}
              </g>
            )}
            <g className="upright">
              {chosen && <circle r={20} className="chosen-ring" />}
              {scale < DOTS_BELOW ? (
                <circle r={5} fill={colour} stroke="var(--paper)" strokeWidth={1.5} />
              ) : (
                <BeadShape code={type.code} system={type.system} facingRad={type.mount === 'wall' ? device.facingRad : null} />
              )}
            </g>
          </g>
        );
      })}
    </g>
  );
});
