import { isMainsOutlet } from './mains.ts';
import type { BoxKind, Device, Plate, ProjectDocument } from '../../model/index.ts';

/** What can sit in a gang; `face` is a device that fills it with its own front, `mains` the electrician's outlet. */
export const INSERTS = ['data', 'fibre', 'coax', 'picture', 'speaker', 'usb', 'control', 'face', 'blank', 'mains'] as const;
export type InsertKind = (typeof INSERTS)[number];

/** Middle of one gang to the middle of the next, m: the frame of two gangs is so much wider than that of one (72 and 118 mm). */
export const GANG_PITCH_M = 0.046;
const ONE_GANG_M = [0.072, 0.116] as const;
/** A gang holds at most six inserts, in two columns. */
export const MAX_INSERTS = 6;

/** How many gangs a box takes; null is as many as one likes. */
export const BOX_GANGS: Readonly<Record<BoxKind, number | null>> = {
  none: 0,
  'open-ring': null,
  'one-gang': 1,
  'one-gang-deep': 1,
  'two-gang': 2,
  'recessed-two-gang': 2,
  round: 1,
  'back-box': null,
  weatherproof: 2,
  'floor-box': 4,
};

/** Insert that a connector at the device's end needs; null is none, the cable ends behind the device. */
export function insertOf(connector: string): InsertKind | null {
  const words = connector.toLowerCase();
  if (words.includes('8p8c')) return 'data';
  if (words.startsWith('f plug')) return 'coax';
  if (words.startsWith('lc')) return 'fibre';
  if (words.includes('picture plug')) return 'picture';
  if (words.includes('bare ends') || words.includes('binding post')) return 'speaker';
  if (words.includes('usb')) return 'usb';
  if (words.includes('3.5 mm')) return 'control';
  return null;
}

/** Whether a device is itself the front of its gang: a keypad, a thermostat, a volume control. */
const showsItself = (project: ProjectDocument, { typeId }: Device): boolean => {
  const { system } = project.deviceTypes[typeId];
  return system === 'control' || system === 'guard' || system === 'light' || system === 'shade' || typeId === 'volume-control';
};

/** The gangs that one device takes, each with its inserts, from the connectors of its runs. */
export function gangsOf(project: ProjectDocument, device: Device): InsertKind[][] {
  const type = project.deviceTypes[device.typeId];
  const wide = type.boxKind === 'two-gang' || type.boxKind === 'recessed-two-gang' ? 2 : 1;
  if (isMainsOutlet(type)) return [['mains']];
  if (showsItself(project, device)) return Array.from({ length: wide }, (): InsertKind[] => ['face']);
  const inserts = Object.values(project.runs)
    .filter((run) => run.deviceId === device.id)
    .sort((a, b) => a.leg - b.leg)
    .flatMap((run) => insertOf(run.deviceConnector) ?? []);
  if (inserts.length === 0) inserts.push('face');
  const gangs = Math.max(wide, Math.ceil(inserts.length / MAX_INSERTS));
  const each = Math.ceil(inserts.length / gangs);
  return Array.from({ length: gangs }, (_, gang) => inserts.slice(gang * each, (gang + 1) * each));
}

/** Width and height of the plate on the finished wall, m. */
export const plateSizeM = ({ gangs }: Pick<Plate, 'gangs'>): readonly [number, number] => [
  ONE_GANG_M[0] + (gangs - 1) * GANG_PITCH_M,
  ONE_GANG_M[1],
];

/** From the middle of a plate to the middle of a gang, m, to the right as one faces it; gangs count from 1 on the left. */
export const gangOffsetM = ({ gangs }: Pick<Plate, 'gangs'>, gang: number): number => (gang - (gangs + 1) / 2) * GANG_PITCH_M;
