import { memo, type KeyboardEvent, type PointerEvent } from 'react';
import { attachmentOf } from '@dusky-spool/core/house';
import type { Cluster } from '@dusky-spool/core/math';
import type { Device, DeviceType } from '@dusky-spool/core/model';
import { text } from '../ground/text.ts';
import { BeadShape } from '../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../ui/systems.ts';
import type { DeviceDetail } from './device-detail.ts';
import css from './canvas.module.css';

export interface DeviceOnPlan {
  readonly device: Device;
  readonly type: DeviceType;
  readonly label: string;
  /** Goes with a piece of furniture that is not the alternative chosen. */
  readonly pale?: boolean;
}

interface Props {
  readonly devices: readonly DeviceOnPlan[];
  /** Beads that would hide each other, each drawn as one with their number. */
  readonly clusters: readonly Cluster<DeviceOnPlan>[];
  readonly selected: ReadonlySet<string>;
  /** In the hand: drawn elsewhere. */
  readonly hidden: ReadonlySet<string>;
  readonly detail: DeviceDetail;
  readonly onPointerDown: (deviceId: string, event: PointerEvent) => void;
  readonly onKeyDown: (deviceId: string, event: KeyboardEvent) => void;
  /** A cluster was chosen: it is shown near enough to tell its devices apart. */
  readonly onCluster: (cluster: Cluster<DeviceOnPlan>) => void;
}

export const DeviceLayer = memo(function DeviceLayer({ devices, clusters, selected, hidden, onCluster, ...rest }: Props) {
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
      {clusters.map((cluster) => (
        <ClusterMark key={cluster.members[0].device.id} cluster={cluster} onCluster={onCluster} />
      ))}
    </g>
  );
});

interface ClusterProps extends Pick<Props, 'onCluster'> {
  readonly cluster: Cluster<DeviceOnPlan>;
}

/** Several devices in one place: their number, in the colour of their system where they share one. */
const ClusterMark = memo(function ClusterMark({ cluster, onCluster }: ClusterProps) {
  const { members, at } = cluster;
  const [{ type }] = members;
  const alike = members.every((one) => one.type.system === type.system);
  const colour = alike ? SYSTEM_STYLE[type.system].colour : 'var(--ink-soft)';
  return (
    <g
      className={css.beadCluster}
      transform={`translate(${at[0]},${at[1]})`}
      role="button"
      tabIndex={-1}
      data-stop=""
      aria-label={text('plan.cluster', { count: members.length })}
      onClick={(event) => {
        event.preventDefault();
        onCluster(cluster);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') onCluster(cluster);
      }}
    >
      <g className="upright">
        <circle r={9.5} fill="var(--paper)" stroke={colour} strokeWidth={2} strokeDasharray={alike ? undefined : '4 2'} />
        <text y={4} textAnchor="middle" className="bead-code" fill={colour}>
          {members.length}
        </text>
      </g>
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
      className={`${css.device}${chosen ? ' chosen' : ''}${pale ? ' pale' : ''}${device.fitting === 'fitted' ? '' : ' prepared'}${hidden ? ` ${css.inHand}` : ''}`}
      transform={`translate(${device.x},${device.y})`}
      role="button"
      // The plan is one stop of the Tab key; arrows lead from device to device in it.
      tabIndex={-1}
      data-stop=""
      aria-label={label}
      aria-pressed={chosen}
      data-device={device.id}
      onPointerDown={(event) => onPointerDown(device.id, event)}
      onKeyDown={(event) => onKeyDown(device.id, event)}
    >
      {detail === 'true-size' && (
        <g className={css.trueSize} transform={`rotate(${(device.facingRad * 180) / Math.PI + 90})`} stroke={colour}>
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
