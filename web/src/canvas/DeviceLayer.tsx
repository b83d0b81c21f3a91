import { memo, type KeyboardEvent, type PointerEvent } from 'react';
import { attachmentOf } from '@dusky-spool/core/building';
import type { Device, DeviceType } from '@dusky-spool/core/project';
import { BeadShape } from '../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../ui/systems.ts';
import type { DeviceDetail } from './device-detail.ts';

export interface DeviceOnPlan {
  readonly device: Device;
  readonly type: DeviceType;
  readonly label: string;
  /** Goes with a piece of furniture that is not the alternative chosen. */
  readonly pale?: boolean;
}

interface Props {
  readonly devices: readonly DeviceOnPlan[];
  readonly selected: ReadonlySet<string>;
  /** In the hand: drawn elsewhere. */
  readonly hidden: ReadonlySet<string>;
  readonly detail: DeviceDetail;
  readonly onPointerDown: (deviceId: string, event: PointerEvent) => void;
  readonly onKeyDown: (deviceId: string, event: KeyboardEvent) => void;
}

export const DeviceLayer = memo(function DeviceLayer({ devices, selected, hidden, ...rest }: Props) {
  return (
    <g className="devices">
      {devices.map(({ device, type, label, pale }) => (
        <DeviceMark
          key={device.id}
          device={device}
          type={type}
          label={label}
          pale={pale}
          chosen={selected.has(device.id)}
          hidden={hidden.has(device.id)}
          {...rest}
        />
      ))}
    </g>
  );
});

interface MarkProps extends DeviceOnPlan, Pick<Props, 'detail' | 'onPointerDown' | 'onKeyDown'> {
  readonly chosen: boolean;
  readonly hidden: boolean;
}

/** One device; when another one moves it is not drawn again. */
const DeviceMark = memo(function DeviceMark({
  device,
  type,
  label,
  pale,
  chosen,
  hidden,
  detail,
  onPointerDown,
  onKeyDown,
}: MarkProps) {
  const { colour } = SYSTEM_STYLE[type.system];
  return (
    <g
      className={`device${chosen ? ' chosen' : ''}${pale ? ' pale' : ''}${device.fitting === 'fitted' ? '' : ' prepared'}${hidden ? ' in-hand' : ''}`}
      transform={`translate(${device.x},${device.y})`}
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      data-device={device.id}
      onPointerDown={(event) => onPointerDown(device.id, event)}
      onKeyDown={(event) => onKeyDown(device.id, event)}
    >
      {detail === 'true-size' && (
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
        {detail === 'dots' ? (
          <circle r={5} fill={colour} stroke="var(--paper)" strokeWidth={1.5} />
        ) : (
          <BeadShape code={type.code} system={type.system} facingRad={attachmentOf(type) === 'wall' ? device.facingRad : null} />
        )}
      </g>
    </g>
  );
});
