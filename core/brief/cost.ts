import { cutLength, HOURS, runHours } from '../calculators/index.ts';
import { middleOf } from '../math/index.ts';
import type { Answer, BriefCell, DeviceType, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { flatPriceOf } from '../runs/index.ts';
import { type BriefPlace, placeIdOf, placeOf } from './places.ts';
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
 * The cost of `count` devices of a type in a room or area. Cable length as it is cut, along the axes of the house from the middle of the
 * place to the nearest rack, over the ceilings: an estimate until the device has its place.
 */
export function costOfType(
  project: ProjectDocument,
  place: BriefPlace,
  type: DeviceType,
  count: number,
  answer: Answer,
  preWired = true,
): AnswerCost {
  if (count === 0 || answer === 'nothing') return NO_COST;
  const { labourRate } = project.project;
  const { levels, wayM: routeM } = distanceToRack(project, place, type);
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
  const flat = flatPriceOf(project, type);
  const wiring = (construction: 'new' | 'retrofit') =>
    count * (construction === 'new' && flat !== null ? flat : material + hours[construction] * labourRate);
  const fitting = count * type.hours * labourRate;
  const lateFitting = fitting * (LATE_FITTING[type.system] ?? LATE_FITTING_OTHER);
  const devices = count * type.price;
  const afterClose = wiring('retrofit') + lateFitting + devices;
  if (answer === 'later' && !preWired) return { now: 0, devices: 0, afterClose };
  if (answer === 'prepared' || answer === 'later') return { now: wiring('new'), devices: 0, afterClose };
  return { now: wiring('new') + fitting + devices, devices, afterClose };
}

type Priced = Pick<BriefCell, 'topic' | 'answer' | 'count' | 'typeId' | 'preWired'>;

/** The cost of an answer by the type that it names, or the first that can answer. What comes later is pre-wired unless it says otherwise. */
export function costOfAnswer(project: ProjectDocument, place: BriefPlace, cell: Priced): AnswerCost {
  const type = cell.typeId === null ? typesFor(project, cell.topic)[0] : project.deviceTypes[cell.typeId];
  return type ? costOfType(project, place, type, cell.count, cell.answer, cell.preWired) : NO_COST;
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

/** The cost of the whole brief, and of each room and area. */
export function briefCost(project: ProjectDocument): {
  readonly all: AnswerCost;
  readonly byPlace: ReadonlyMap<string, AnswerCost>;
} {
  const byPlace = new Map<string, AnswerCost>();
  for (const cell of listOf(project, 'briefCells')) {
    const place = placeOf(project, placeIdOf(cell));
    if (place) byPlace.set(place.id, sumCosts([byPlace.get(place.id) ?? NO_COST, costOfAnswer(project, place, cell)]));
  }
  return { all: sumCosts([...byPlace.values()]), byPlace };
}

function distanceToRack(
  project: ProjectDocument,
  place: BriefPlace,
  type: DeviceType,
): { readonly levels: number; readonly wayM: number } {
  const [x, y] = middleOf(place.polygon);
  const level = project.levels[place.levelId];
  const { ceilingM } = place;
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
