import { cutLength, HOURS, runHours } from '../calculators/index.ts';
import { middleOf, type Point2 } from '../math/index.ts';
import type { Answer, BriefTopic, DeviceType, ProjectDocument, Room } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { typesFor } from './topics.ts';

/** What an answer costs, in the currency of the project. Bands of ±40 % (ENGINEERING 18): an order of size, not an offer. */
export interface AnswerCost {
  /** What is spent on it while the walls are open. */
  readonly now: number;
  /** Of that, the devices alone. */
  readonly devices: number;
  /** The same wish after the walls are closed. */
  readonly afterClose: number;
}

export const NO_COST: AnswerCost = { now: 0, devices: 0, afterClose: 0 };

/** Fitting a device into a finished room against an open one (ENGINEERING 18.1): speaker, display, camera. */
const LATE_FITTING: Readonly<Record<string, number>> = {
  sound: HOURS.speakerInCeiling.retrofit / HOURS.speakerInCeiling.new,
  picture: HOURS.display.retrofit / HOURS.display.new,
  guard: HOURS.camera.retrofit / HOURS.camera.new,
};
const LATE_FITTING_OTHER = 1.5;

/**
 * The cost of `count` devices of a type in a room. Cable length as it is cut, along the axes of the house from the middle of the
 * room to the nearest rack, over the ceilings: an estimate until the device has its place.
 */
export function costOfType(project: ProjectDocument, room: Room, type: DeviceType, count: number, answer: Answer): AnswerCost {
  if (count === 0 || answer === 'nothing') return NO_COST;
  const { labourRate } = project.project;
  const { levels, wayM: routeM } = distanceToRack(project, room, type);
  const cables = type.cables.filter((leg) => !leg.optional);
  let material = 0;
  const hours = { new: 0, retrofit: 0 };
  cables.forEach((leg, index) => {
    const cable = project.cableTypes[leg.cableTypeId];
    const { wasteFactor: factor, reserveM, rackSlackM, units } = project.project;
    const slack = { deviceSlackM: leg.slackM, rackSlackM };
    const { cutLengthM } = cutLength({ riseM: 0, runM: routeM, dropM: 0 }, slack, { factor, reserveM, traced: false }, units);
    material += cutLengthM * (cable?.pricePerM ?? 0);
    // The first cable of a device opens the way for the others.
    const first = index === 0;
    const work = { family: cable?.family ?? '', additional: !first, floors: first ? levels : 0, boxes: first ? 1 : 0 };
    for (const construction of ['new', 'retrofit'] as const) hours[construction] += runHours(work, construction);
  });
  const wiring = (construction: 'new' | 'retrofit') => count * (material + hours[construction] * labourRate);
  const fitting = count * type.hours * labourRate;
  const lateFitting = fitting * (LATE_FITTING[type.system] ?? LATE_FITTING_OTHER);
  const devices = count * type.price;
  const afterClose = wiring('retrofit') + lateFitting + devices;
  if (answer === 'later') return { now: 0, devices: 0, afterClose };
  if (answer === 'prepared') return { now: wiring('new'), devices: 0, afterClose };
  return { now: wiring('new') + fitting + devices, devices, afterClose };
}

/** The cost of an answer by the type that it names, or the first that can answer. */
export function costOfAnswer(
  project: ProjectDocument,
  room: Room,
  topic: BriefTopic,
  answer: Answer,
  count: number,
  typeId: string | null,
): AnswerCost {
  const type = typeId === null ? typesFor(project, topic)[0] : project.deviceTypes[typeId];
  return type ? costOfType(project, room, type, count, answer) : NO_COST;
}

export const sumCosts = (costs: readonly AnswerCost[]): AnswerCost =>
  costs.reduce<AnswerCost>(
    (sum, cost) => ({
      now: sum.now + cost.now,
      devices: sum.devices + cost.devices,
      afterClose: sum.afterClose + cost.afterClose,
    }),
    NO_COST,
  );

/** The cost of the whole brief, and of each room. */
export function briefCost(project: ProjectDocument): {
  readonly all: AnswerCost;
  readonly byRoom: ReadonlyMap<string, AnswerCost>;
} {
  const byRoom = new Map<string, AnswerCost>();
  for (const cell of listOf(project, 'briefCells')) {
    const cost = costOfAnswer(project, project.rooms[cell.roomId], cell.topic, cell.answer, cell.count, cell.typeId);
    byRoom.set(cell.roomId, sumCosts([byRoom.get(cell.roomId) ?? NO_COST, cost]));
  }
  return { all: sumCosts([...byRoom.values()]), byRoom };
}

function distanceToRack(
  project: ProjectDocument,
  room: Room,
  type: DeviceType,
): { readonly levels: number; readonly wayM: number } {
  const [x, y] = middleOf(room.polygon as Point2[]);
  const level = project.levels[room.levelId];
  const ceilingM = room.ceilingHeightM ?? level.ceilingHeightM;
  const routes = listOf(project, 'racks').map((rack) => {
    const there = project.levels[rack.levelId];
    const riseM = type.defaultHeightM === null ? 0 : Math.max(0, ceilingM - type.defaultHeightM);
    const dropM = Math.max(0, there.ceilingHeightM - rack.entryHeightM);
    const floorsM = Math.abs(level.elevationM + ceilingM - there.elevationM - there.ceilingHeightM);
    return {
      levels: Math.abs(level.order - there.order),
      wayM: Math.abs(rack.x - x) + Math.abs(rack.y - y) + riseM + dropM + floorsM,
    };
  });
  return routes.sort((a, b) => a.wayM - b.wayM)[0] ?? { levels: 0, wayM: 15 };
}
