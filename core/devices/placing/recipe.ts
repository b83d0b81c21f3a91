import { err, ok, type Outcome } from '../../math/index.ts';
import {
  create,
  type Device,
  type DeviceType,
  isConduit,
  type Leg,
  newRun,
  type Operation,
  type ProjectDocument,
  type ProjectHeader,
  removeWithDependants,
  type Run,
  update,
  updateProject,
} from '../../model/index.ts';
import { listOf, withRecords } from '../../derive/index.ts';
import { isSameKind, stereoLines } from '../library/index.ts';
import { bundleFor, freeLeg, isKept, runNumberFor, runsByDevice, spendNumber, usualRackSlackM } from '../../runs/index.ts';
import { knownMap } from './conductors.ts';
import { headEndFor } from './head-ends.ts';

/**
 * Whether the recipes of a library can be followed: every cable and type is there, and no recipe leads back to itself.
 * Problems: `recipe-cable-missing`, `recipe-type-missing`, `recipe-self`, `recipe-circle`; each with the field.
 */
export function checkRecipe(project: Pick<ProjectDocument, 'cableTypes' | 'deviceTypes'>, type: DeviceType): Outcome<DeviceType> {
  const types = { ...project.deviceTypes, [type.id]: type };
  for (const [index, leg] of type.cables.entries()) {
    const field = `cables[${index}]`;
    if (!Object.hasOwn(project.cableTypes, leg.cableTypeId))
      return err('recipe-cable-missing', { kind: 'invalid', field: `${field}.cableTypeId`, value: leg.cableTypeId });
    if (leg.to !== 'device') continue;
    const far = leg.toTypeId === null ? undefined : types[leg.toTypeId];
    if (!far) return err('recipe-type-missing', { kind: 'invalid', field: `${field}.toTypeId`, value: leg.toTypeId ?? '' });
    if (far.id === type.id) return err('recipe-self', { kind: 'invalid', field: `${field}.toTypeId`, name: type.name });
    const circle = pathwayBack(types, far, type.id, [type.name, far.name]);
    if (circle) return err('recipe-circle', { kind: 'invalid', field: `${field}.toTypeId`, way: circle.join(' → ') });
  }
  return ok(type);
}

function pathwayBack(
  types: Readonly<Record<string, DeviceType>>,
  from: DeviceType,
  goalId: string,
  pathway: readonly string[],
): readonly string[] | null {
  for (const leg of from.cables) {
    if (leg.to !== 'device' || leg.toTypeId === null) continue;
    const next = types[leg.toTypeId];
    if (!next || (pathway.includes(next.name) && next.id !== goalId)) continue;
    if (next.id === goalId) return [...pathway, next.name];
    const found = pathwayBack(types, next, goalId, [...pathway, next.name]);
    if (found) return found;
  }
  return null;
}

/** A device on the next level is this much farther than one beside it, m; one in another room still more. */
const LEVEL_AWAY_M = 100;
const ROOM_AWAY_M = 1000;

/**
 * The device that a leg ends at, in its own room before others, on its own level before others; a chain stays on its level.
 * Null is the head end: also for the first of a chain, and where there is none to go to yet.
 */
export function farDevice(project: ProjectDocument, device: Device, leg: Pick<Leg, 'to' | 'toTypeId'>): Device | null {
  if (leg.to === 'rack') return null;
  const wanted = leg.to === 'chain' ? device.typeId : leg.toTypeId;
  const orderOf = ({ levelId }: Device) => project.levels[levelId].order;
  const away = (other: Device) =>
    Math.hypot(other.x - device.x, other.y - device.y) +
    Math.abs(orderOf(other) - orderOf(device)) * LEVEL_AWAY_M +
    (other.roomId === device.roomId ? 0 : ROOM_AWAY_M);
  const candidates = listOf(project, 'devices').filter(
    (other) =>
      other.id !== device.id &&
      (other.typeId === wanted || (leg.to === 'device' && isOfKind(project, device, other, wanted))) &&
      (leg.to === 'device' || other.levelId === device.levelId),
  );
  const taken = new Set<string>();
  if (leg.to === 'chain') {
    for (const run of listOf(project, 'runs'))
      if (run.toDeviceId !== null && run.deviceId !== device.id) taken.add(run.toDeviceId);
  }
  const free = candidates.filter((other) => !taken.has(other.id) && !leadsTo(project, other, device.id));
  return free.toSorted((a, b) => away(a) - away(b) || (a.id < b.id ? -1 : 1))[0] ?? null;
}

/** Whether a device of the same room does what the wanted type does: any display, not the one kind of it. */
function isOfKind(project: ProjectDocument, device: Device, other: Device, wantedId: string | null): boolean {
  const wanted = wantedId === null ? undefined : project.deviceTypes[wantedId];
  return (
    wanted !== undefined &&
    device.roomId !== null &&
    other.roomId === device.roomId &&
    isSameKind(project.deviceTypes[other.typeId], wanted)
  );
}

/** Whether a device hangs, over however many others, on the one given. */
export function leadsTo(project: ProjectDocument, from: Device, goalId: string): boolean {
  const byDevice = runsByDevice(project);
  const seen = new Set<string>();
  const open = [from.id];
  while (open.length > 0) {
    const id = open.pop()!;
    if (id === goalId) return true;
    if (seen.has(id)) continue;
    seen.add(id);
    for (const { toDeviceId } of byDevice.get(id) ?? []) if (toDeviceId !== null) open.push(toDeviceId);
  }
  return false;
}

/** The runs that a device gets from its type's recipe; none where there is no head end. Optional legs only where asked for. */
export function runsFor(
  project: ProjectDocument,
  device: Device,
  legs: readonly { readonly leg: Leg; readonly number: number }[],
  id: (leg: number) => string,
): Run[] {
  let working = project;
  return legs.flatMap(({ leg, number }) => {
    const rack = headEndFor(working, device, project.cableTypes[leg.cableTypeId]);
    if (!rack) return [];
    const far = farDevice(project, device, leg);
    const place = freeLeg(project, device, number);
    const run = newRun({
      id: id(number),
      number: runNumberFor(working, device, place, rack.id),
      deviceId: device.id,
      rackId: rack.id,
      leg: place,
      recipeLeg: number <= project.deviceTypes[device.typeId].cables.length ? number : null,
      toDeviceId: far?.id ?? null,
      cableTypeId: leg.cableTypeId,
      purpose: leg.purpose,
      deviceConnector: leg.deviceConnector,
      farConnector: leg.farConnector,
      mapId: knownMap(project, leg.mapId),
      bundle: far || isConduit(project.cableTypes[leg.cableTypeId]) ? '' : bundleFor(project, device, rack.id),
      deviceSlackM: leg.slackM,
      // A jumper has no service loop at a rack: its far end gets what a box gets.
      rackSlackM: far || isConduit(project.cableTypes[leg.cableTypeId]) ? leg.slackM : usualRackSlackM(project.project, rack),
    });
    // Numbers that count ports see the ones given before; others only depend on the leg.
    if (project.project.numberPattern.includes('{port}')) working = withRecords(working, 'runs', [run]);
    return [run];
  });
}

/** The legs that every device of a type gets, with their numbers. */
export const usualLegs = (type: DeviceType): { leg: Leg; number: number }[] =>
  type.cables.flatMap((leg, index) => (leg.optional ? [] : [{ leg, number: index + 1 }]));

/** What a change of a recipe does to the runs that are there. */
export interface RecipeChange {
  readonly added: readonly Run[];
  readonly removed: readonly Run[];
  readonly altered: readonly Run[];
  /** Issued or further: they stay as they are, whatever the recipe says. */
  readonly kept: readonly Run[];
  readonly operations: readonly Operation[];
}

const legFields = (leg: Leg) => ({
  cableTypeId: leg.cableTypeId,
  purpose: leg.purpose,
  deviceConnector: leg.deviceConnector,
  farConnector: leg.farConnector,
  deviceSlackM: leg.slackM,
});

/**
 * Gives a type another recipe and says which runs that adds, alters and removes. A leg is known by its number.
 * Problems: those of `checkRecipe`, `type-missing`.
 */
export function changeRecipe(
  project: ProjectDocument,
  typeId: string,
  cables: readonly Leg[],
  newId: () => string,
): Outcome<RecipeChange> {
  const type = project.deviceTypes[typeId];
  if (!type) return err('type-missing', { kind: 'invalid', field: 'typeId' });
  const next: DeviceType = { ...type, cables: [...cables], version: type.version + 1 };
  const sound = checkRecipe(project, next);
  if (!sound.ok) return sound;
  const added: Run[] = [];
  const removed: Run[] = [];
  const altered: Run[] = [];
  const kept: Run[] = [];
  const operations: (Operation | null)[] = [update('deviceTypes', type, { cables: next.cables, version: next.version })];
  const runs = new Map<string, Run[]>();
  for (const run of listOf(project, 'runs')) runs.set(run.deviceId, [...(runs.get(run.deviceId) ?? []), run]);
  for (const device of listOf(project, 'devices')) {
    if (device.typeId !== typeId) continue;
    const own = runs.get(device.id) ?? [];
    for (const run of own) {
      if (run.recipeLeg === null) continue;
      const leg = next.cables[run.recipeLeg - 1];
      if (isKept(run)) kept.push(run);
      else if (!leg) {
        removed.push(run);
        operations.push(spendNumber(project, run), ...removeWithDependants(project, 'runs', run.id));
      } else {
        const far = farDevice(project, device, leg);
        const mapId = knownMap(project, leg.mapId);
        const change = update('runs', run, { ...legFields(leg), mapId, toDeviceId: far?.id ?? null });
        if (!change) continue;
        altered.push(run);
        operations.push(change);
      }
    }
    const missing = usualLegs(next).filter(
      ({ number }) => !device.leftOut.includes(number) && !own.some((run) => run.recipeLeg === number),
    );
    for (const run of runsFor(project, device, missing, newId)) {
      added.push(run);
      operations.push(create('runs', run));
    }
  }
  return ok({ added, removed, altered, kept, operations: operations.filter((operation) => operation !== null) });
}

/** Takes the other convention of four-conductor speaker cable, with the map that is printed for it. */
export function setSpeakerColours(project: ProjectDocument, colours: ProjectHeader['speakerColours']): Operation[] {
  const map = project.conductorMaps.speaker_4;
  return [
    updateProject(project.project, { speakerColours: colours }),
    map ? update('conductorMaps', map, { lines: stereoLines(colours) }) : null,
  ].filter((operation) => operation !== null);
}
