import { plateDeviceIds } from '../placing/index.ts';
import { bayAt, framingOf } from '../../house/index.ts';
import { isOutsideWall, wallPlaceOf } from '../mounting/index.ts';
import type { Plate, ProjectDocument } from '../../model/index.ts';
import { BOX_GANGS, gangsOf, MAX_INSERTS, plateSizeM } from './gangs.ts';
import { mainsBoxBeside } from './line-up.ts';

export const PLATE_PROBLEMS = [
  'plate-no-divider',
  'plate-mains-over',
  'plate-insert-outside',
  'plate-gang-full',
  'plate-box-misfit',
  'plate-box-shallow',
  'plate-open-box',
  'plate-too-wide-for-bay',
  'plate-insert-missing',
  'plate-device-gone',
  'plate-apart',
  'plate-not-lined-up',
] as const;
export type PlateProblemCode = (typeof PLATE_PROBLEMS)[number];

/** What is wrong with a plate as it is composed. Lengths in m. */
export interface PlateProblem {
  readonly code: PlateProblemCode;
  readonly rank: 'stop' | 'look';
  readonly measured: number | null;
  readonly allowed: number | null;
  readonly figures: Readonly<Record<string, unknown>>;
}

/** Boxes that are too shallow for what asks for a deep one. */
const SHALLOW: ReadonlySet<string> = new Set(['one-gang', 'weatherproof']);
/** Boxes that are open at the back. */
const OPEN: ReadonlySet<string> = new Set(['open-ring', 'none']);
/** A device farther than this from its plate is not in it; boxes in one row differ by no more than this, m. */
const APART_M = 0.3;
const ROW_M = 0.005;

/** Everything that is wrong with a plate, stops first. ENGINEERING 7.1 (same box), 8.1 (boxes). */
export function plateProblems(project: ProjectDocument, plate: Plate): PlateProblem[] {
  const found: PlateProblem[] = [];
  const say = (
    code: PlateProblemCode,
    rank: PlateProblem['rank'],
    measured: number | null,
    allowed: number | null,
    figures: PlateProblem['figures'] = {},
  ) => found.push({ code, rank, measured, allowed, figures });
  const { gangs, mainsGangs, boxKind } = plate;
  if (mainsGangs > gangs) say('plate-mains-over', 'stop', mainsGangs, gangs, { gangs, mainsGangs });
  else if (mainsGangs > 0 && mainsGangs < gangs && !plate.divider) say('plate-no-divider', 'stop', 0, 1);
  const room = BOX_GANGS[boxKind];
  if (room !== null && gangs > room) say('plate-box-misfit', 'stop', gangs, room, { gangs, room, box: boxKind });
  const outside = plate.inserts.filter(({ gang, kind }) => gang > gangs || gang > gangs - mainsGangs !== (kind === 'mains'));
  if (outside.length > 0) say('plate-insert-outside', 'stop', outside.length, 0, { count: outside.length });
  const place = wallPlaceOf(project, plate);
  if (place) {
    const rated = place.wall.kind === 'fire';
    if (OPEN.has(boxKind) && (rated || isOutsideWall(project, place.wall, place.point)))
      say('plate-open-box', rated ? 'stop' : 'look', null, null, { wall: rated ? 'fire' : 'outside' });
    const bay = bayAt(framingOf(project).studs(place.wall), place.offsetM);
    const [widthM] = plateSizeM(plate);
    // The box is narrower than its plate by the frame on either side, 7.5 mm.
    if (bay && widthM - 0.015 > bay.clearM + 1e-9)
      say('plate-too-wide-for-bay', 'stop', widthM - 0.015, bay.clearM, { widthM: widthM - 0.015, clearM: bay.clearM });
  }
  for (let gang = 1; gang <= gangs; gang++) {
    const count = plate.inserts.filter((insert) => insert.gang === gang).length;
    if (count > MAX_INSERTS) say('plate-gang-full', 'look', count, MAX_INSERTS, { gang, count, most: MAX_INSERTS });
  }
  const ids = plateDeviceIds(plate);
  const deep = ids.flatMap((id) => (project.devices[id] ? [project.deviceTypes[project.devices[id].typeId]] : []));
  const deepest = deep.find((type) => type.boxKind === 'one-gang-deep');
  if (deepest && SHALLOW.has(boxKind)) say('plate-box-shallow', 'stop', null, null, { device: deepest.name, box: boxKind });
  const gone = ids.filter((id) => !project.devices[id]);
  if (gone.length > 0) say('plate-device-gone', 'look', gone.length, 0, { count: gone.length });
  let missing = 0;
  for (const id of ids) {
    const device = project.devices[id];
    if (!device) continue;
    const have = plate.inserts.filter(({ deviceId }) => deviceId === id).length;
    missing += Math.max(0, gangsOf(project, device).flat().length - have);
    const awayM = Math.hypot(device.x - plate.x, device.y - plate.y);
    if (device.levelId !== plate.levelId || awayM > APART_M)
      say('plate-apart', 'look', awayM, APART_M, { device: project.deviceTypes[device.typeId].name, awayM });
  }
  if (missing > 0) say('plate-insert-missing', 'look', missing, 0, { count: missing });
  const beside = mainsBoxBeside(project, plate);
  const offM = beside ? Math.abs(beside.heightM - plate.heightM) : 0;
  if (beside && offM > ROW_M + 1e-9)
    say('plate-not-lined-up', 'look', offM, ROW_M, { offM, awayM: beside.distanceM, heightM: beside.heightM });
  return found.sort((a, b) => Number(a.rank === 'look') - Number(b.rank === 'look'));
}
