import type { DeviceType } from '../../model/index.ts';

/** An outlet that the electrician adds: it is fed by mains and has no cable of ours. */
export const isMainsOutlet = ({ link, mainsW, cables }: DeviceType): boolean =>
  link === 'mains-only' && mainsW !== null && cables.length === 0;
