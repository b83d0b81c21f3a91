import { create, type Device, type Operation, type ProjectDocument, type Run, type SystemName } from '../model/index.ts';
import { runsByDevice } from './runs-by-device.ts';
import { derivationsOf, listOf, onLevel, whole } from '../derive/index.ts';

/** Room code of devices that stand in no room. */
export const OUTDOORS_CODE = 'EX';

/** The parts of the number of a run, as the scheme names them. */
export interface NumberParts {
  readonly level: string;
  readonly room: string;
  readonly system: string;
  readonly type: string;
  readonly device: number;
  readonly leg: number;
  readonly rack: string;
  readonly port: number;
}

/** What a number pattern may hold. */
export const numberScheme = ['level', 'room', 'system', 'type', 'device', 'leg', 'rack', 'port'] as const;

/** One letter for each system, as numbers say it. */
export const SYSTEM_LETTERS: Readonly<Record<SystemName, string>> = {
  sound: 'S',
  picture: 'P',
  data: 'D',
  coax: 'X',
  control: 'C',
  shade: 'B',
  light: 'L',
  guard: 'G',
};

/** `{level}-{room}-{device}.{leg}` with `M`, `GR`, 3, 1 gives `M-GR-03.1`. */
export function formatRunNumber(pattern: string, parts: NumberParts): string {
  return pattern
    .replaceAll('{level}', parts.level)
    .replaceAll('{room}', parts.room)
    .replaceAll('{system}', parts.system)
    .replaceAll('{type}', parts.type)
    .replaceAll('{device}', String(parts.device).padStart(2, '0'))
    .replaceAll('{leg}', String(parts.leg))
    .replaceAll('{rack}', parts.rack)
    .replaceAll('{port}', String(parts.port).padStart(3, '0'))
    .toUpperCase()
    .replace(/[^A-Z0-9./-]/g, '');
}

type Numbered = Pick<Device, 'levelId' | 'roomId' | 'number' | 'typeId'>;

/** The number of a device's leg in a scheme; `port` is the place among the runs of its rack. */
export function numberIn(
  project: ProjectDocument,
  pattern: string,
  device: Numbered,
  leg: number,
  rackId: string | undefined,
  port: number,
): string {
  const type = project.deviceTypes[device.typeId];
  return formatRunNumber(pattern, {
    level: project.levels[device.levelId].code,
    room: device.roomId === null ? OUTDOORS_CODE : project.rooms[device.roomId].code,
    system: SYSTEM_LETTERS[type.system],
    type: type.code,
    device: device.number,
    leg,
    rack: rackId === undefined ? '' : (project.racks[rackId]?.code ?? ''),
    port,
  });
}

/** The number of a device's leg in the project's scheme. Where the scheme counts ports, the lowest one that is free. */
export function runNumberFor(project: ProjectDocument, device: Numbered, leg: number, rackId?: string): string {
  const { numberPattern } = project.project;
  if (!numberPattern.includes('{port}')) return numberIn(project, numberPattern, device, leg, rackId, 0);
  const taken = takenNumbers(project);
  for (let port = 1; ; port++) {
    const number = numberIn(project, numberPattern, device, leg, rackId, port);
    if (!taken.has(number)) return number;
  }
}

const TAKEN_NUMBERS = whole<ReadonlySet<string>>({
  name: 'taken numbers',
  tables: ['runs', 'spentNumbers'],
  make: (read) => new Set([...read.rows('runs'), ...read.rows('spentNumbers')].map(({ number }) => number)),
});

/** Numbers that cannot be given: those of runs, and those of labels that were printed for runs that are gone. */
export const takenNumbers = (project: ProjectDocument): ReadonlySet<string> => derivationsOf(project).get(TAKEN_NUMBERS);

/**
 * The lowest device number of a room that is free and whose run numbers are free too: a run that was issued keeps its number when its
 * device moves away, and a number that was printed is not given again. `holder` is one who works without a connection: numbers come from
 * the block that was taken along, and blocks of others are left out.
 */
export function firstFreeNumber(
  project: ProjectDocument,
  place: Pick<Device, 'levelId' | 'roomId' | 'typeId'>,
  legs: number,
  holder = '',
): number {
  const inPlace = (device: Device) =>
    device.roomId === place.roomId && (place.roomId !== null || device.levelId === place.levelId);
  const taken = new Set<number>();
  for (const device of onLevel(project, 'devices', place.levelId)) if (inPlace(device)) taken.add(device.number);
  const numbers = takenNumbers(project);
  const blocks = listOf(project, 'numberBlocks');
  const own = blocks.filter((block) => holder !== '' && block.holder === holder);
  const isFree = (number: number) =>
    !taken.has(number) &&
    !Array.from({ length: legs }, (_, leg) => runNumberFor(project, { ...place, number }, leg + 1)).some((text) =>
      numbers.has(text),
    );
  for (const { from, to } of own) for (let number = from; number <= to; number++) if (isFree(number)) return number;
  for (let number = 1; ; number++) {
    const block = blocks.find(({ from, to }) => number >= from && number <= to);
    if (block) number = block.to;
    else if (isFree(number)) return number;
  }
}

/**
 * The place of one more run of a device: `wanted` where that is free, else the first behind its runs and the legs of its recipe whose
 * number nobody has.
 */
export function freeLeg(project: ProjectDocument, device: Device, wanted?: number): number {
  const taken = new Set((runsByDevice(project).get(device.id) ?? []).map(({ leg }) => leg));
  const numbers = takenNumbers(project);
  const isFree = (leg: number) => !taken.has(leg) && !numbers.has(runNumberFor(project, device, leg));
  if (wanted !== undefined && isFree(wanted)) return wanted;
  let leg = Math.max(project.deviceTypes[device.typeId].cables.length, ...taken) + 1;
  while (!isFree(leg)) leg++;
  return leg;
}

/** Device numbers of a block. */
const BLOCK_SIZE = 40;

/** A block of device numbers that nobody has used, for one who goes without a connection. */
export function reserveBlock(project: ProjectDocument, holder: string, on: string, id: string): Operation[] {
  const used = [
    100,
    ...listOf(project, 'devices').map(({ number }) => number),
    ...listOf(project, 'numberBlocks').map(({ to }) => to),
  ];
  const from = Math.ceil((Math.max(...used) + 1) / 10) * 10 + 1;
  if (from + BLOCK_SIZE - 1 > 9999) return [];
  return [create('numberBlocks', { id, holder, from, to: from + BLOCK_SIZE - 1, on })];
}

/** Keeps the number of a printed label from being given again; null where none was printed or it is kept already. */
export function spendNumber(project: ProjectDocument, { number, printedOn }: Run): Operation | null {
  if (printedOn === '') return null;
  const id = `s_${[...number].map((letter) => ({ '.': 'd', '/': 's', '-': 'h' })[letter] ?? letter).join('')}`.slice(0, 40);
  if (Object.hasOwn(project.spentNumbers, id)) return null;
  return create('spentNumbers', { id, number, on: printedOn });
}
