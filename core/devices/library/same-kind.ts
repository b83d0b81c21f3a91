import type { DeviceType } from '../../model/index.ts';

const takesVideo = ({ ports }: DeviceType) => ports.some(({ name, direction }) => name === 'picture' && direction === 'in');
const outputs = ({ ports }: DeviceType) => ports.filter(({ direction }) => direction === 'out').map(({ connector }) => connector);

/**
 * Whether a type does for a lead what another one does: any display for a display, any control with the same output for a volume control.
 */
export function isSameKind(one: DeviceType, other: DeviceType): boolean {
  if (one.id === other.id) return true;
  if (one.part !== 'device' || other.part !== 'device' || one.system !== other.system) return false;
  const areDisplays = one.answers === 'display' && other.answers === 'display' && takesVideo(one) && takesVideo(other);
  return areDisplays || outputs(one).some((connector) => outputs(other).includes(connector));
}
