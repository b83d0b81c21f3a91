import { onLevel, type Device, type ProjectDocument } from '../project/index.ts';

/** Room code of devices that stand in no room. */
export const OUTDOORS_CODE = 'EX';

/** The parts of the number of a run, as the scheme names them. */
export interface NumberParts {
  readonly level: string;
  readonly room: string;
  readonly device: number;
  readonly leg: number;
}

/** What a number pattern may hold. */
export const numberScheme = ['{level}', '{room}', '{device}', '{leg}'] as const;

/** `{level}-{room}-{device}.{leg}` with `M`, `GR`, 3, 1 gives `M-GR-03.1`. */
export function formatRunNumber(pattern: string, parts: NumberParts): string {
  return pattern
    .replaceAll('{level}', parts.level)
    .replaceAll('{room}', parts.room)
    .replaceAll('{device}', String(parts.device).padStart(2, '0'))
    .replaceAll('{leg}', String(parts.leg))
    .toUpperCase()
    .replace(/[^A-Z0-9./-]/g, '');
}

/** The number of a device's leg in the project's scheme. */
export function runNumberFor(
  document: ProjectDocument,
  device: Pick<Device, 'levelId' | 'roomId' | 'number'>,
  leg: number,
): string {
  const room = device.roomId === null ? OUTDOORS_CODE : document.rooms[device.roomId].code;
  return formatRunNumber(document.project.numberPattern, {
    level: document.levels[device.levelId].code,
    room,
    device: device.number,
    leg,
  });
}

/**
 * The lowest device number of a room that is free and whose run numbers are free too
 * (a run that was issued keeps its number when its device moves away).
 */
export function firstFreeNumber(document: ProjectDocument, place: Pick<Device, 'levelId' | 'roomId'>, legs: number): number {
  const inPlace = (device: Device) =>
    device.roomId === place.roomId && (place.roomId !== null || device.levelId === place.levelId);
  const taken = new Set<number>();
  for (const device of onLevel(document, 'devices', place.levelId)) if (inPlace(device)) taken.add(device.number);
  const numbers = new Set(Object.values(document.runs).map((run) => run.number));
  for (let number = 1; ; number++) {
    if (taken.has(number)) continue;
    const wanted = Array.from({ length: legs }, (_, leg) => runNumberFor(document, { ...place, number }, leg + 1));
    if (!wanted.some((text) => numbers.has(text))) return number;
  }
}
