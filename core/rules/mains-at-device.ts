import { isMainsOutlet } from '../devices/index.ts';
import { create, type DeviceType, newFeature, type ProjectDocument, sameValue } from '../model/index.ts';
import { each, whole } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** An outlet this near serves a device, m. */
const NEAR_M = 1.5;

/** A place where mains is: a mark of the electrician, a plate with mains, or an outlet. */
interface MainsPlace {
  readonly x: number;
  readonly y: number;
  readonly levelId: string;
}

/** Where an outlet is a device of its own; null for every other device. */
const OUTLET_DEVICE = each<'devices', MainsPlace | null>({
  name: 'mains outlet among the devices',
  over: 'devices',
  tables: ['deviceTypes'],
  make: ({ typeId, x, y, levelId }, read) => (isMainsOutlet(read.project.deviceTypes[typeId]) ? { x, y, levelId } : null),
  alike: sameValue,
});

const MAINS_PLACES = whole<readonly MainsPlace[]>({
  name: 'places with mains',
  tables: ['features', 'plates'],
  nodes: [OUTLET_DEVICE],
  make: (read) => [
    ...read
      .rows('features')
      .filter(({ kind, owner, decision }) => kind === 'trade-mark' && /electric/i.test(owner) && decision !== 'strike')
      .map(({ points: [[x, y]], levelId }) => ({ x, y, levelId })),
    ...read.rows('plates').filter(({ mainsGangs }) => mainsGangs > 0),
    ...read.all(OUTLET_DEVICE).filter((one) => one !== null),
  ],
});

/** A device that takes mains and is no outlet; it stays the same value wherever it stands. */
const TAKES_MAINS = each<'devices', { readonly id: string; readonly type: DeviceType } | null>({
  name: 'takes mains',
  over: 'devices',
  tables: ['deviceTypes'],
  make: ({ id, typeId, fitting }, read) => {
    const type = read.project.deviceTypes[typeId];
    return type.mainsW && !isMainsOutlet(type) && fitting !== 'spare' ? { id, type } : null;
  },
  alike: sameValue,
});

const NOTHING_MISSING: readonly RuleFinding[] = [];

/** What is said of a single device, in a house in which some place has mains. */
const WITHOUT_OUTLET = each<'devices', readonly RuleFinding[]>({
  name: 'mains missing at a device',
  over: 'devices',
  tables: ['rooms'],
  nodes: [MAINS_PLACES],
  beside: [TAKES_MAINS],
  make: (device, read) => {
    const takes = read.one(TAKES_MAINS, device.id);
    const places = read.get(MAINS_PLACES);
    const isNear = ({ x, y, levelId }: MainsPlace) =>
      levelId === device.levelId && Math.hypot(x - device.x, y - device.y) <= NEAR_M;
    if (!takes || places.length === 0 || places.some(isNear)) return NOTHING_MISSING;
    const number = device.roomId === null ? '' : read.project.rooms[device.roomId].code;
    return [
      say(
        'look',
        'mains-missing',
        [{ in: 'devices', id: device.id }],
        { number, device: takes.type.name, watts: takes.type.mainsW },
        { measured: 0, allowed: 1, cures: (house) => mark(house, device.id) },
      ),
    ];
  },
  alike: (a, b) => a.length === b.length && a.every((one, n) => sameValue(one.figures, b[n].figures)),
});

/** Devices that a finding about all of them names. */
const MAX_NAMED = 24;

/** Where nothing is marked yet, that is one finding for all that takes mains. */
const NONE_MARKED = whole<readonly RuleFinding[]>({
  name: 'mains marked nowhere',
  nodes: [MAINS_PLACES, TAKES_MAINS],
  make: (read) => {
    if (read.get(MAINS_PLACES).length > 0) return NOTHING_MISSING;
    const devices = read.all(TAKES_MAINS).filter((one) => one !== null);
    if (devices.length === 0) return NOTHING_MISSING;
    return [
      say(
        'look',
        'mains-none-marked',
        devices.slice(0, MAX_NAMED).map(({ id }) => ({ in: 'devices', id })),
        { number: '', count: devices.length, devices: [...new Set(devices.map(({ type }) => type.name))] },
        {
          measured: devices.length,
          allowed: 0,
          cures: (house) => {
            const operations = devices.flatMap(({ id }) => mark(house, id).flatMap((cure) => cure.operations));
            return operations.length > 0 ? [{ code: 'mark-outlets', figures: { count: operations.length }, operations }] : [];
          },
        },
      ),
    ];
  },
});

/** What needs mains has an outlet on the electrician’s plan (practice A53). */
export const mainsAtDevice = defineCheck({
  id: 'mains-at-device',
  title: 'What needs mains has an outlet',
  source: 'Trade practice; compared with the electrician’s marks where there are any',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: [],
  nodes: [NONE_MARKED, WITHOUT_OUTLET],
  run: ({ read }) => [...read.get(NONE_MARKED), ...read.all(WITHOUT_OUTLET).flat()],
});

/** A mark for the electrician at the device; it goes to him with the site sheet. */
function mark(project: ProjectDocument, deviceId: string) {
  const device = project.devices[deviceId];
  const id = `mk_${deviceId}`.slice(0, 40);
  if (!device || Object.hasOwn(project.features, id)) return [];
  const heightM = device.heightM ?? 0.4;
  const feature = newFeature({
    id,
    levelId: device.levelId,
    kind: 'trade-mark',
    name: `Outlet for ${project.deviceTypes[device.typeId].name}`.slice(0, 80),
    points: [[device.x, device.y]],
    widthM: 0.1,
    depthM: 0.1,
    bottomM: Math.max(0, heightM - 0.05),
    topM: heightM + 0.05,
    owner: 'electrician',
    decision: 'open',
    markedAt: [device.x, device.y],
  });
  return [{ code: 'mark-outlet', figures: {}, operations: [create('features', feature)] }];
}
