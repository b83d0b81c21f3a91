import type { Equipment, PortGroup, PortKind } from '../model/index.ts';

/** One port of a piece of equipment. */
export interface Port {
  readonly equipment: Equipment;
  readonly group: PortGroup;
  readonly n: number;
  /** `data 5`. */
  readonly name: string;
}

export const portName = ({ name }: Pick<PortGroup, 'name'>, n: number): string => `${name} ${n}`;

/** All ports of a piece of equipment, in order. */
export const portsOf = (equipment: Equipment): Port[] =>
  equipment.ports.flatMap((group) =>
    Array.from({ length: group.count }, (_, k): Port => ({ equipment, group, n: k + 1, name: portName(group, k + 1) })),
  );

/** The port of a name; undefined where the equipment has none of it. */
export function portAt(equipment: Equipment, name: string): Port | undefined {
  const cut = name.lastIndexOf(' ');
  const n = Number(name.slice(cut + 1));
  const group = equipment.ports.find((one) => one.name === name.slice(0, cut));
  return group && Number.isInteger(n) && n >= 1 && n <= group.count ? { equipment, group, n, name } : undefined;
}

/** The input of an amplifier or block that a channel plays from; null where it has none. */
export function inputBehind(equipment: Equipment, n: number): string | null {
  const inputs = equipment.ports.find(({ name, kind }) =>
    equipment.kind === 'speaker-block' ? name.startsWith('in') && kind === 'speaker' : name === 'line in',
  );
  return inputs ? portName(inputs, ((n - 1) % inputs.count) + 1) : null;
}

/** A port as a key that is unique in a project. */
export const portKey = (equipmentId: string, port: string): string => `${equipmentId}/${port}`;

/** Ports in which runs end: those of panels, boards, outputs and channels; not the inputs beside them. */
const ENDS: ReadonlySet<string> = new Set([
  'patch-panel/data',
  'patch-panel/fibre',
  'patch-panel/video',
  'coax-panel/coax',
  'splitter/coax',
  'multiswitch/coax',
  'tap/coax',
  'speaker-block/speaker',
  'amplifier/speaker',
  'receiver/speaker',
  'receiver/line',
  'controller/relay',
  'controller/bus',
  'supply/power',
  'alarm-panel/zone',
  'alarm-panel/bus',
  'alarm-panel/relay',
]);

/** Where a signal on coax comes in: a panel, an input, the line of the modem. */
const SIGNAL_INPUTS: ReadonlySet<string> = new Set([
  'splitter',
  'tap',
  'rf-amplifier',
  'multiswitch',
  'combiner',
  'diplexer',
  'modem',
]);
const isInput = ({ name }: PortGroup): boolean => name === 'in' || name === 'line';

/** What a run asks of its port beside its kind. */
export interface PortWish {
  readonly feeds: 'shade' | 'strip' | 'siren' | null;
  readonly isSignalIn: boolean;
}
const NO_WISH: PortWish = { feeds: null, isSignalIn: false };

/** Whether a run of a kind may be terminated on a port; a supply that is made for shades or strips feeds those alone. */
export function takesRuns(
  { equipment, group }: Pick<Port, 'equipment' | 'group'>,
  kind: PortKind,
  { feeds, isSignalIn }: PortWish = NO_WISH,
): boolean {
  // The other ends of a link between racks arrive here.
  if (group.kind !== kind || equipment.tieDeviceId !== null) return false;
  if ((feeds === 'siren') !== (group.name === 'siren')) return false;
  if (kind === 'coax' && isSignalIn && equipment.kind !== 'coax-panel')
    return SIGNAL_INPUTS.has(equipment.kind) && isInput(group);
  return (
    ENDS.has(`${equipment.kind}/${kind}`) &&
    !group.name.startsWith('in') &&
    (feeds === null || group.name === feeds || group.name === 'output')
  );
}
