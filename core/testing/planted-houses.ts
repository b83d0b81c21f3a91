import {
  BRIEF_TOPICS,
  type BriefTopic,
  type CableType,
  create,
  type Device,
  type DeviceType,
  type Feature,
  newFeature,
  newOpening,
  newRoom,
  type Operation,
  type Plate,
  type ProjectDocument,
  type Run,
  tableFrom,
  update,
} from '../model/index.ts';
import { pairSpeakers } from '../devices/index.ts';
import { runState, proposedRoutes } from '../runs/index.ts';
import { smallHouse, twoStoreyHouse } from './houses.ts';
import { PLANTED_HEAD_ENDS } from './planted-head-ends.ts';
import { PLANTED_THEATRES } from './planted-theatres.ts';
import { applied, countedIds, withDevices } from './steps.ts';
import type { Planted } from './planted.ts';

type Place = Parameters<typeof withDevices>[1][number];
type House = Parameters<typeof smallHouse>[0];

/** The small house with devices, drawn and wired as their types ask for. */
const house = (devices: Place[] = [], more: House = {}): ProjectDocument =>
  devices.length > 0 ? withDevices(smallHouse(more), devices, countedIds()).project : smallHouse(more);
const runOf = (project: ProjectDocument, leg = 1): Run => Object.values(project.runs).find((run) => run.leg === leg)!;
const withRun = (project: ProjectDocument, after: Partial<Run>, leg = 1): ProjectDocument =>
  applied(project, [update('runs', runOf(project, leg), after)!]);
const withDevice = (project: ProjectDocument, after: Partial<Device>): ProjectDocument =>
  applied(project, [update('devices', Object.values(project.devices)[0], after)!]);
const withCable = (project: ProjectDocument, id: string, after: Partial<CableType>): ProjectDocument => ({
  ...project,
  cableTypes: { ...project.cableTypes, [id]: { ...project.cableTypes[id], ...after } },
});
/** Every type of the library that the house uses with other figures. */
const withTypes = (project: ProjectDocument, after: Partial<DeviceType>): ProjectDocument => ({
  ...project,
  deviceTypes: Object.fromEntries(Object.entries(project.deviceTypes).map(([id, type]) => [id, { ...type, ...after }])),
});
const withThing = (project: ProjectDocument, feature: Parameters<typeof newFeature>[0]): ProjectDocument =>
  applied(project, [create('features', newFeature(feature))]);
/** A firm whose routes do not go around mains by themselves. */
const heedless = (project: ProjectDocument): ProjectDocument => ({
  ...project,
  project: { ...project.project, routeWeights: { besideMains: 0 } },
});
const onDay = (project: ProjectDocument, gate: 'board' | 'low-voltage-rough-in' | 'trim-out', on: string): ProjectDocument => ({
  ...project,
  tradeDates: tableFrom([{ id: 'gate', gate, on, from: '' }]),
});
/** The rooms of the small house drawn out to the east, so that runs become long. */
function long(project: ProjectDocument, byM: number): ProjectDocument {
  const rack = { ...project.racks.rack, x: project.racks.rack.x + byM };
  const stretch = ([x, y]: readonly [number, number]): [number, number] => [x > 6 ? x + byM : x, y];
  return {
    ...project,
    racks: { rack },
    rooms: Object.fromEntries(
      Object.entries(project.rooms).map(([id, room]) => [id, { ...room, polygon: room.polygon.map(stretch) }]),
    ),
    walls: Object.fromEntries(
      Object.entries(project.walls).map(([id, wall]) => [id, { ...wall, a: stretch(wall.a), b: stretch(wall.b) }]),
    ),
  };
}
const SPEAKER: Place = { typeId: 'ceiling-speaker', at: [1, 2] };
const POINT: Place = { typeId: 'access-point', at: [1, 2] };
const DROP: Place = { typeId: 'network-drop', at: [2, 0.05] };
const mains = (y: number) =>
  ({
    id: 'mains',
    levelId: 'm',
    kind: 'mains-route',
    name: 'Ring',
    points: [
      [3, y],
      [8, y],
    ],
    bottomM: 2.59,
    topM: 2.61,
    circuits: 14,
  }) as Parameters<typeof newFeature>[0];

/** The speaker's run as issued, with a narrow flue beside it at this place across the house. */
const besideFlue = (y: number): ProjectDocument =>
  withThing(issued(), {
    ...mains(y),
    id: 'flue',
    kind: 'flue',
    name: 'Stove flue',
    points: [[5, y]],
    widthM: 0.1,
    depthM: 0.1,
    bottomM: 0,
    topM: 3,
  });

/** A short piece of mains along the speaker's run. */
const onMains = (y: number): ProjectDocument =>
  withThing(heedless(house([SPEAKER])), {
    ...mains(y),
    points: [
      [4, y],
      [4.6, y],
    ],
  });

/** The speaker's run in a state. */
const withState = (state: Run['state']): ProjectDocument => withRun(issued(), { state });
const labelledAfter = (project: ProjectDocument): ProjectDocument =>
  withRun({ ...project, project: { ...project.project, labelling: 'after-pull' } }, { labelledEnds: 'both' });

/** A keypad that a shade hangs on, each of a control family. */
function chainOfFamilies(ofKeypad: string, ofShade: string): ProjectDocument {
  const built = house([
    { typeId: 'keypad', at: [1.8, 0.05] },
    { typeId: 'shade', at: [3, 0.05] },
  ]);
  const { keypad, shade } = built.deviceTypes;
  const project: ProjectDocument = {
    ...built,
    deviceTypes: {
      ...built.deviceTypes,
      keypad: { ...keypad, controlFamily: ofKeypad },
      shade: { ...shade, controlFamily: ofShade },
    },
  };
  const devices = Object.values(project.devices);
  const [from] = devices.filter(({ typeId }) => typeId === 'shade');
  const [to] = devices.filter(({ typeId }) => typeId === 'keypad');
  const run = Object.values(project.runs).find(({ deviceId }) => deviceId === from.id)!;
  return applied(project, [update('runs', run, { toDeviceId: to.id })!]);
}

/** A signed conduit in the floor topping whose stub comes up so far beside the middle of the south wall. */
const stubAt = (awayM: number): ProjectDocument => {
  const points: [number, number][] = [
    [2, awayM],
    [2, 3],
  ];
  const project = withThing(house(), {
    id: 'duct',
    levelId: 'm',
    kind: 'screed-way',
    name: 'Duct',
    points,
    widthM: 0.032,
    insideDiameterM: 0.025,
    bottomM: -0.08,
    topM: -0.05,
  });
  return applied(project, [
    create('waySigns', {
      id: 'sign',
      featureId: 'duct',
      points,
      coverM: 0.05,
      photo: 'a.jpg',
      by: 'Site lead',
      on: '2026-11-01',
      note: '',
    }),
  ]);
};

const named = (project: ProjectDocument, name: string): ProjectDocument => {
  const [device] = Object.values(project.devices);
  return applied(project, [update('rooms', project.rooms[device.roomId!], { name })!]);
};

/** An outlet on the south wall under a roof whose eaves stand so far outside of it. */
const underRoof = (eavesM: number): ProjectDocument =>
  withThing(house([{ typeId: 'network-drop', at: [2, 0.05] }]), {
    id: 'roof',
    levelId: 'm',
    kind: 'attic',
    name: 'Roof',
    area: true,
    points: [
      [-1, -eavesM],
      [11, -eavesM],
      [11, 6],
      [-1, 6],
    ],
    bottomM: 2.5,
    topM: 2.5,
    pitchRad: 0.6,
  });
const closedUp = (project: ProjectDocument): ProjectDocument => ({
  ...project,
  project: { ...project.project, construction: 'retrofit' },
});

/** The issued run of a speaker with that of another so far beside it. */
function sideBySide(awayM: number): ProjectDocument {
  const across = { joistAngleRad: Math.PI / 2 };
  const built = house([SPEAKER, { ...SPEAKER, at: [1, 3] }], { rooms: [across, across] });
  const project: ProjectDocument = { ...built, project: { ...built.project, jurisdiction: 'NA' } };
  const operations = runState(project, Object.keys(project.runs), 'issued', proposedRoutes(project));
  if (!operations.ok) throw new Error(operations.problem.code);
  const both = applied(project, operations.value);
  const [first, second] = Object.values(both.routes);
  const beside = {
    ...second,
    points: first.points.map(([x, y, z]): [number, number, number] => [x, y + awayM, z]),
    media: first.media,
  };
  return { ...both, routes: { ...both.routes, [second.id]: beside } };
}

/** A picture lead through a duct of this inside. */
const leadInDuct = (insideM: number): ProjectDocument => {
  const project = ducted(insideM);
  return withRun(project, { cableTypeId: Object.values(project.cableTypes).find(({ family }) => family === 'hdmi')!.id });
};

/** A keypad in a plate with a box of this kind. */
function withKeypadIn(boxKind: Plate['boxKind']): ProjectDocument {
  const project = withTypes(house([{ typeId: 'keypad', at: [1.8, 0.05] }]), { boxKind: 'one-gang-deep' });
  const [device] = Object.values(project.devices);
  return applied(project, [
    create('plates', {
      id: 'deep',
      levelId: 'm',
      roomId: device.roomId,
      name: 'Keypad',
      x: device.x,
      y: device.y,
      heightM: device.heightM!,
      facingRad: device.facingRad,
      gangs: 1,
      boxKind,
      divider: false,
      mainsGangs: 0,
      opening: 'inserts',
      finish: '',
      inserts: [{ gang: 1, kind: 'face', deviceId: device.id }],
      besideM: null,
    } as never),
  ]);
}

/** A keypad whose edge is so far from the casing of a door. */
const besideDoor = (freeM: number): ProjectDocument => {
  const project = house([{ typeId: 'keypad', at: [1.8, 0.05] }]);
  const [device] = Object.values(project.devices);
  const type = project.deviceTypes[device.typeId];
  const halfM = (type.frameM?.[0] ?? type.cutOut?.widthM ?? type.sizeM[0]) / 2;
  const wall = Object.values(project.walls).find(({ a, b }) => a[1] === 0 && b[1] === 0)!;
  const [from] = [Math.min(wall.a[0], wall.b[0])];
  const door = newOpening({
    id: 'door',
    wallId: wall.id,
    kind: 'door',
    offsetM:
      wall.a[0] < wall.b[0] ? device.x - from + halfM + freeM + 0.07 + 0.4 : wall.a[0] - (device.x + halfM + freeM + 0.07 + 0.4),
    widthM: 0.8,
    sillM: 0,
    headM: 2.05,
  } as never);
  return applied(project, [create('openings', door)]);
};

/** A keypad in an existing box of this depth. */
const inBox = (depthM: number): ProjectDocument =>
  withDevice(
    withThing(withTypes(house([{ typeId: 'keypad', at: [1.8, 0.05] }]), { depthM: 0.06 }), {
      id: 'box',
      levelId: 'm',
      kind: 'existing-box',
      name: 'Old box',
      points: [[1.8, 0.05]],
      depthM,
      tested: 'measured',
      decision: 'reuse',
    }),
    { foundId: 'box' },
  );

/** A speaker whose maker allows it face down only, turned so. */
const turned = (attitude: Device['attitude']): ProjectDocument =>
  withDevice(withTypes(house([{ ...SPEAKER, at: [1, 2.2] }]), { attitudes: ['face-down'] }), { attitude });

/** A display on the south wall with a supply vent so far along it. */
const besideVent = (x: number): ProjectDocument =>
  withThing(house([{ typeId: 'display', at: [1, 0.05] }]), {
    id: 'vent',
    levelId: 'm',
    kind: 'supply-vent',
    name: 'Supply',
    points: [[x, 0.4]],
    widthM: 0.3,
    depthM: 0.1,
    bottomM: 2.45,
    topM: 2.5,
  });

/** A speaker under the ceiling at 2.25 m, over a row of seats on a platform of this height. */
const overRow = (platformM: number): ProjectDocument =>
  withThing(withDevice(house([{ ...SPEAKER, at: [1, 2.2] }]), { heightM: 2.25 }), {
    id: 'row',
    levelId: 'm',
    kind: 'seat-row',
    name: 'Row',
    points: [[1, 2]],
    widthM: 2,
    depthM: 0.9,
    bottomM: platformM,
    topM: platformM + 1,
  });

/** An arrester with its bar. */
const ARRESTER: Place[] = [
  { typeId: 'bonding-bar', at: [9, 0.05] },
  { typeId: 'surge-arrester', at: [8.5, 0.05] },
];

/** A keypad that draws 12 W from 12 V over a speaker cable with a map of a plain supply, in a house drawn out by so much. */
function fedBySpeakerCable(byM: number): ProjectDocument {
  const project = withTypes(long(house([{ typeId: 'keypad', at: [2, 0.05] }]), byM), { dcV: 12, dcW: 12, poeClass: null });
  return withRun(project, { cableTypeId: 'spk_16_2', mapId: 'trigger' });
}

/** Two shades, the second fed from the first, so many metres of house away from the rack. */
function shadeChain(byM: number): ProjectDocument {
  const project = long(house([2, 4].map((x) => ({ typeId: 'shade', at: [x, 0.05] as const }))), byM);
  const [first, second] = Object.values(project.runs);
  return applied(project, [update('runs', second, { toDeviceId: first.deviceId })!]);
}

/** For every rule at least one. */
export const PLANTED: readonly Planted[] = [
  ...PLANTED_THEATRES,
  ...PLANTED_HEAD_ENDS,
  {
    rule: 'speaker-cable-loss',
    mistake: () => long(house([SPEAKER]), 10),
    clean: () => house([{ ...SPEAKER, at: [7, 2] }]),
    code: 'speaker-loss-over',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'route-missing',
    mistake: () =>
      house([{ typeId: 'network-drop', at: [0.05, 2] }], { walls: { west: { cableMayRun: false, kind: 'closed' } } }),
    clean: () => house([{ typeId: 'network-drop', at: [0.05, 2] }]),
    code: 'route-missing',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'clear-of-mains',
    mistake: () => withThing(heedless(house([SPEAKER])), mains(2.1)),
    clean: () => withThing(heedless(house([SPEAKER])), mains(2.5)),
    code: 'mains-parallel',
    about: 'features',
    cured: true,
  },
  {
    rule: 'conductors-fit',
    mistake: () => withRun(house([SPEAKER]), { mapId: 't568b' }),
    clean: () => house([SPEAKER]),
    code: 'conductors-short',
    about: 'runs',
    figures: [8, 2],
    cured: true,
  },
  {
    rule: 'jackets-fit',
    mistake: () => pump(20),
    clean: () => withRun(pump(20), { cableTypeId: 'cat6_outdoor' }),
    code: 'jacket-not-outdoor',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'jackets-fit',
    mistake: () => aired(2.5),
    // The ducted air is over the cables.
    clean: () => aired(2.75),
    code: 'jacket-not-plenum',
    about: 'features',
    // From the speaker at 1 m to the wall at 5.1 m it lies in the air over the west room.
    figures: [4.1, 0, 0.2],
    cured: true,
  },
  {
    rule: 'jackets-fit',
    mistake: () => withCable(house([SPEAKER]), 'spk_16_2', { rating: 'cord' }),
    clean: () => withCable(house([SPEAKER]), 'spk_16_2', { rating: 'general' }),
    code: 'jacket-cord',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'bends-fit',
    mistake: () => house([{ typeId: 'coax-outlet', at: [2, 0.05] }], { walls: { south1: { cavityDepthM: 0.05 } } }),
    clean: () => house([{ typeId: 'coax-outlet', at: [2, 0.05] }]),
    code: 'bend-box',
    about: 'runs',
    figures: [0.0625, 0.07],
    cured: false,
  },
  {
    rule: 'legs-complete',
    mistake: () => {
      const project = house([DROP]);
      const { [runOf(project, 2).id]: _gone, ...runs } = project.runs;
      return { ...project, runs };
    },
    clean: () => house([DROP]),
    code: 'legs-missing',
    about: 'devices',
    figures: [1, 2],
    cured: true,
  },
  {
    rule: 'data-length',
    mistake: () => long(house([DROP]), 90),
    clean: () => long(house([DROP]), 50),
    code: 'data-too-long',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'poe-delivered',
    // 28 AWG: 0.213 ohm/m over 100 m and more.
    mistake: () => withCable(long(house([POINT]), 70), 'cat6a_utp', { gaugeAwg: 28 }),
    clean: () => long(house([POINT]), 60),
    code: 'poe-short',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'cable-as-type',
    mistake: () =>
      withRun(house([POINT]), { cableTypeId: 'rg6', deviceConnector: 'F plug', farConnector: 'F plug', mapId: null }),
    clean: () => house([POINT]),
    code: 'cable-no-power',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'voltage-at-load',
    mistake: () =>
      withCable(long(house([{ typeId: 'shade', at: [2, 0.05] }]), 40), 'spare', {
        ...smallHouse().cableTypes.shade_16_2_22_2p,
        id: 'spare',
        name: 'Shade 12/2 + data',
        gaugeAwg: 12,
      }),
    clean: () => long(house([{ typeId: 'shade', at: [2, 0.05] }]), 15),
    code: 'voltage-low',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'picture-reach',
    mistake: () => withRun(house([{ typeId: 'display', at: [1, 0.05] }]), { cableTypeId: 'hdmi_passive_28' }, 3),
    clean: () => house([{ typeId: 'display', at: [1, 0.05] }]),
    code: 'picture-too-long',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'coax-loss',
    mistake: () => long(house([{ typeId: 'coax-outlet', at: [2, 0.05] }]), 45),
    clean: () => long(house([{ typeId: 'coax-outlet', at: [2, 0.05] }]), 20),
    code: 'coax-lossy',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'copper-clad',
    mistake: () => withCable(house([DROP]), 'cat6_utp', { material: 'cca' }),
    clean: () => house([DROP]),
    code: 'clad-aluminium',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'ends-known',
    mistake: () => withRun(house([DROP]), { farConnector: 'F plug' }),
    clean: () => house([DROP]),
    code: 'end-misfit',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'labels-on',
    mistake: () => withRun(house([DROP]), { state: 'pulled' }),
    clean: () => withRun(house([DROP]), { state: 'pulled', printedOn: '2026-11-01' }),
    code: 'label-missing',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'labels-on',
    mistake: () => withRun(house([DROP]), { state: 'labelled', printedOn: '2026-11-01', printedAs: 'M-XX-99.9 | Hall | Rack A' }),
    clean: () => withRun(house([DROP]), { state: 'labelled', printedOn: '2026-11-01' }),
    code: 'label-outdated',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'labels-on',
    mistake: () => withRun(house([DROP]), { state: 'pulled', printedOn: '2026-11-01', printedAs: 'M-XX-99.9 | Hall | Rack A' }),
    clean: () => withRun(house([DROP]), { state: 'pulled', printedOn: '2026-11-01' }),
    code: 'label-outdated-pulled',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'tested-in-time',
    mistake: () => onDay(withRun(house([SPEAKER]), { state: 'pulled', printedOn: '2026-11-01' }), 'board', '2026-11-10'),
    clean: () => onDay(withRun(house([SPEAKER]), { state: 'tested', printedOn: '2026-11-01' }), 'board', '2026-11-10'),
    code: 'closed-untested',
    about: 'runs',
    today: '2026-11-12',
    cured: false,
  },
  {
    rule: 'records-agree',
    mistake: () => withRun(house([{ ...SPEAKER, at: [7, 2] }]), { note: 'pull 14/2 as the client asked' }),
    clean: () => withRun(house([{ ...SPEAKER, at: [7, 2] }]), { note: 'pull 16/2 as the client asked' }),
    code: 'gauge-twice',
    about: 'runs',
    figures: [14, 16],
    cured: true,
  },
  {
    rule: 'slack-enough',
    mistake: () => withRun(house([DROP]), { deviceSlackM: 0.1 }),
    clean: () => withRun(house([DROP]), { deviceSlackM: 0.3 }),
    code: 'slack-short',
    about: 'runs',
    figures: [0.1, 0.3],
    cured: true,
  },
  {
    rule: 'clear-of-services',
    mistake: () => withThing(heedless(house([SPEAKER])), { ...mains(2.05), id: 'pipe', kind: 'pipe', name: 'Gas' }),
    clean: () => withThing(heedless(house([SPEAKER])), { ...mains(2.4), id: 'pipe', kind: 'pipe', name: 'Gas' }),
    code: 'service-near',
    about: 'features',
    cured: true,
  },
  {
    rule: 'clear-of-services',
    // A run as issued, and a flue that was found beside it afterwards: 0.1 m away over a hand's breadth is enough.
    mistake: () => besideFlue(2.15),
    clean: () => besideFlue(2.4),
    code: 'flue-near',
    about: 'features',
    cured: false,
  },
  {
    rule: 'clear-of-mains',
    // Lies on a cable of mains for 0.6 m: too short to count as parallel, and an error all the same.
    mistake: () => onMains(2),
    clean: () => onMains(2.2),
    code: 'mains-touching',
    about: 'features',
    cured: true,
  },
  {
    rule: 'fibre-outdoors',
    mistake: () => withRun(pump(40), { cableTypeId: 'cat6_outdoor' }),
    clean: () => withRun(pump(20), { cableTypeId: 'cat6_outdoor' }),
    code: 'ground-copper',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'bond-length',
    mistake: () =>
      house([
        { typeId: 'bonding-bar', at: [9, 0.05] },
        { typeId: 'surge-arrester', at: [0.05, 2] },
      ]),
    clean: () =>
      house([
        { typeId: 'bonding-bar', at: [9, 0.05] },
        { typeId: 'surge-arrester', at: [8.5, 0.05] },
      ]),
    code: 'bond-too-long',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'heights-usual',
    mistake: () => withDevice(house([{ typeId: 'thermostat', at: [5.05, 2] }]), { heightM: 2 }),
    clean: () => withDevice(house([{ typeId: 'thermostat', at: [5.05, 2] }]), { heightM: 1.35 }),
    code: 'height-unusual',
    about: 'devices',
    figures: [2, 1.5],
    cured: true,
  },
  {
    rule: 'wet-zones-clear',
    mistake: () => withThing(house([DROP]), wet(1)),
    clean: () => withThing(house([DROP]), wet(3)),
    code: 'device-in-wet-zone',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'cameras-private',
    mistake: () => inRoomOf(house([{ typeId: 'ceiling-camera', at: [2, 2] }]), 'bedroom'),
    clean: () => inRoomOf(house([{ typeId: 'ceiling-camera', at: [2, 2] }]), 'hall'),
    code: 'camera-private',
    about: 'rooms',
    cured: false,
  },
  {
    rule: 'ends-labelled',
    mistake: () => withRun(withState('pulled'), { printedOn: '2026-11-01', labelledEnds: 'device' }),
    clean: () => withRun(withState('pulled'), { printedOn: '2026-11-01', labelledEnds: 'both' }),
    code: 'ends-unlabelled',
    about: 'runs',
    figures: [1, 0],
    cured: false,
  },
  {
    rule: 'ends-labelled',
    mistake: () => onDay(withRun(withState('pulled'), { printedOn: '2026-11-01' }), 'board', '2026-11-05'),
    clean: () => onDay(withRun(withState('pulled'), { printedOn: '2026-11-01', labelledEnds: 'both' }), 'board', '2026-11-05'),
    code: 'ends-closed-unlabelled',
    about: 'runs',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'tested-in-time',
    mistake: () => onDay(withRun(withState('pulled'), { rawTestedOn: '2026-11-08' }), 'board', '2026-11-05'),
    clean: () => onDay(withRun(withState('pulled'), { rawTestedOn: '2026-11-04' }), 'board', '2026-11-05'),
    code: 'tested-late',
    about: 'runs',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'tested-in-time',
    mistake: () => onDay(withState('terminated'), 'trim-out', '2026-11-05'),
    clean: () => onDay(withRun(withState('terminated'), { endTestedOn: '2026-11-06' }), 'trim-out', '2026-11-05'),
    code: 'end-untested',
    about: 'runs',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'labels-on',
    mistake: () => withState('pulled'),
    // The firm labels after the pull.
    clean: () => labelledAfter(withState('pulled')),
    code: 'label-missing',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'runs-asked-for',
    mistake: () => withRun(house([SPEAKER]), { recipeLeg: null }),
    clean: () => withRun(house([SPEAKER]), { recipeLeg: null, reason: 'spare for a second speaker' }),
    code: 'run-not-asked',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'families-agree',
    mistake: () => chainOfFamilies('east bus', 'west bus'),
    clean: () => chainOfFamilies('east bus', 'east bus'),
    code: 'families-mixed',
    about: 'devices',
    figures: [2, 1],
    cured: false,
  },
  {
    rule: 'control-paths',
    mistake: () => withRun(house([{ typeId: 'shade', at: [2, 0.05] }]), { cableTypeId: 'spk_16_2' }),
    clean: () => house([{ typeId: 'shade', at: [2, 0.05] }]),
    code: 'control-missing',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'mains-at-device',
    mistake: () => house([{ typeId: 'display', at: [1, 0.05] }]),
    clean: () => withThing(house([{ typeId: 'display', at: [1, 0.05] }]), outlet(1.5)),
    code: 'mains-none-marked',
    about: 'devices',
    figures: [1, 0],
    cured: true,
  },
  {
    rule: 'screed-sound',
    mistake: () => stubAt(0.12),
    clean: () => stubAt(0.02),
    code: 'stub-off',
    about: 'features',
    cured: false,
  },
  {
    rule: 'cameras-private',
    mistake: () => named(house([{ typeId: 'ceiling-camera', at: [2, 2] }]), 'Guest bathroom'),
    // A closet is no bath.
    clean: () => named(house([{ typeId: 'ceiling-camera', at: [2, 2] }]), 'Bath linen closet'),
    code: 'camera-private',
    about: 'rooms',
    cured: false,
  },
  {
    rule: 'drill-room',
    mistake: () => underRoof(0),
    clean: () => underRoof(1),
    code: 'eave-from-below',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'drill-room',
    mistake: () => closedUp(underRoof(0)),
    clean: () => closedUp(underRoof(1)),
    code: 'eave-no-room',
    about: 'walls',
    cured: false,
  },
  {
    rule: 'bores-apart',
    // Two cables as issued, 60 mm from each other across the joists: 50.8 mm and a bit are kept.
    mistake: () => sideBySide(0.06),
    clean: () => sideBySide(0.2),
    code: 'bores-close',
    about: 'rooms',
    cured: false,
  },
  {
    rule: 'ways-fit',
    mistake: () => leadInDuct(0.025),
    clean: () => leadInDuct(0.05),
    code: 'way-plug-too-large',
    about: 'features',
    cured: true,
  },
  {
    rule: 'plates-sound',
    mistake: () => withKeypadIn('one-gang'),
    clean: () => withKeypadIn('one-gang-deep'),
    code: 'plate-box-shallow',
    about: 'plates',
    cured: true,
  },
  {
    rule: 'buildable',
    mistake: () => besideDoor(0.06),
    clean: () => besideDoor(0.2),
    code: 'mount-near-casing',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'buildable',
    mistake: () => inBox(0.04),
    clean: () => inBox(0.08),
    code: 'mount-box-shallow',
    about: 'features',
    cured: false,
  },
  {
    rule: 'buildable',
    mistake: () => turned('upside-down'),
    clean: () => turned('face-down'),
    code: 'mount-attitude',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'buildable',
    mistake: () => besideVent(1.5),
    clean: () => besideVent(4),
    code: 'mount-near-thing',
    about: 'features',
    cured: false,
  },
  {
    rule: 'buildable',
    // 2.25 m over the floor are 1.95 m over the platform of a row of seats.
    mistake: () => overRow(0.3),
    clean: () => overRow(0),
    code: 'mount-head-room',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'mains-at-device',
    mistake: () => withThing(house([{ typeId: 'display', at: [1, 0.05] }]), outlet(8)),
    clean: () => withThing(house([{ typeId: 'display', at: [1, 0.05] }]), outlet(1.5)),
    code: 'mains-missing',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'return-audio',
    mistake: () => {
      const project = house([{ typeId: 'display', at: [1, 0.05] }]);
      const runs = Object.fromEntries(Object.entries(project.runs).filter(([, run]) => run.leg === 3));
      const types = {
        ...project.deviceTypes,
        display: { ...project.deviceTypes.display, cables: [project.deviceTypes.display.cables[2]] },
      };
      return {
        ...project,
        deviceTypes: types,
        runs: Object.fromEntries(Object.entries(runs).map(([id, run]) => [id, { ...run, leg: 1 }])),
      };
    },
    clean: () => house([{ typeId: 'display', at: [1, 0.05] }]),
    code: 'sound-no-way-back',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'speaker-cable-loss',
    mistake: () => withCable(house([SPEAKER]), 'spk_16_2', { material: 'ccs' }),
    clean: () => house([SPEAKER]),
    code: 'speaker-clad-steel',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'speaker-chains',
    mistake: () => withTypes(house([SPEAKER]), { impedanceOhm: 3 }),
    clean: () => withTypes(house([SPEAKER]), { impedanceOhm: 4 }),
    code: 'amplifier-load-low',
    about: 'runs',
    figures: [3, 4],
    cured: false,
  },
  {
    rule: 'speaker-chains',
    mistake: () => chain(3),
    clean: () => chain(2),
    code: 'amplifier-under-load',
    about: 'runs',
    figures: [8 / 3, 4],
    cured: true,
  },
  {
    rule: 'speaker-chains',
    mistake: () => long(pair('spk_16_4', 'spk_16_2'), 5),
    clean: () => long(pair('spk_14_4', 'spk_14_2'), 5),
    code: 'speaker-chain-loss',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'optical-in-conduit',
    mistake: () => opticalLead(''),
    clean: () => opticalLead('the attic above stays open: a new lead can be pulled'),
    code: 'optical-no-conduit',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'existing-reused',
    mistake: () => inFound({ kind: 'existing-wiring', tested: 'measured', decision: 'abandon' }),
    clean: () => inFound({ kind: 'existing-wiring', tested: 'measured', decision: 'reuse' }),
    code: 'reused-abandoned',
    about: 'features',
    cured: true,
  },
  {
    rule: 'existing-reused',
    mistake: () => inFound({ kind: 'existing-wiring', tested: 'measured', routeKnown: false }),
    clean: () => inFound({ kind: 'existing-wiring', tested: 'measured' }),
    code: 'reused-route-unknown',
    about: 'features',
    cured: false,
  },
  {
    rule: 'existing-reused',
    mistake: () => withThing(house([SPEAKER]), found({ kind: 'existing-wiring', tested: 'not-known' })),
    clean: () => withThing(house([SPEAKER]), found({ kind: 'existing-wiring', tested: 'measured' })),
    code: 'reused-untested',
    about: 'features',
    cured: false,
  },
  {
    rule: 'existing-reused',
    mistake: () => withThing(house([SPEAKER]), found({ kind: 'existing-bracket', condition: 'weak' })),
    clean: () => withThing(house([SPEAKER]), found({ kind: 'existing-bracket', condition: 'sound' })),
    code: 'reused-weak',
    about: 'features',
    cured: false,
  },
  {
    rule: 'existing-reused',
    mistake: () => withThing(house([SPEAKER]), found({ kind: 'existing-bracket', condition: null })),
    // What is taken away again is not judged.
    clean: () => withThing(house([SPEAKER]), found({ kind: 'existing-bracket', condition: null, decision: 'abandon' })),
    code: 'reused-unjudged',
    about: 'features',
    cured: false,
  },
  {
    rule: 'neutral-there',
    mistake: () => withThing(house([{ typeId: 'smart-switch', at: [2, 0.05] }]), switchBox('absent')),
    clean: () => withThing(house([{ typeId: 'smart-switch', at: [2, 0.05] }]), switchBox('present')),
    code: 'neutral-absent',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'voltage-at-load',
    // A display of 12 V on two conductors of a speaker cable, whose map says so: 40 m of 16 AWG.
    mistake: () => fedBySpeakerCable(40),
    clean: () => fedBySpeakerCable(5),
    code: 'voltage-low',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'voltage-on-chains',
    mistake: () => shadeChain(20),
    clean: () => shadeChain(2),
    code: 'voltage-low-on-chain',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'surge-protected',
    // One arrester is for one run: the second camera has none.
    mistake: () => house([...ARRESTER, { typeId: 'camera', at: [2, -0.1] }, { typeId: 'camera', at: [3, -0.1] }]),
    clean: () => house([...ARRESTER, { typeId: 'camera', at: [2, -0.1] }]),
    code: 'surge-missing',
    about: 'runs',
    figures: [1, 0],
    cured: true,
  },
  {
    rule: 'surge-protected',
    mistake: () =>
      house([
        { typeId: 'surge-arrester', at: [8.5, 0.05] },
        { typeId: 'camera', at: [2, -0.1] },
      ]),
    clean: () => house([...ARRESTER, { typeId: 'camera', at: [2, -0.1] }]),
    code: 'arrester-not-bonded',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'aerial-bonded',
    // Two bars, and the electrode is on one of them only.
    mistake: () => house([...EARTHED, { typeId: 'aerial', at: [2, -0.1] }, { typeId: 'bonding-bar', at: [6, 0.05] }]),
    clean: () => house([...EARTHED, { typeId: 'aerial', at: [2, -0.1] }]),
    code: 'bar-not-at-electrode',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'surge-protected',
    mistake: () => house([{ typeId: 'camera', at: [2, -0.1] }]),
    clean: () =>
      house([
        { typeId: 'camera', at: [2, -0.1] },
        { typeId: 'bonding-bar', at: [9, 0.05] },
        { typeId: 'surge-arrester', at: [8.5, 0.05] },
      ]),
    code: 'surge-missing',
    about: 'runs',
    figures: [1, 0],
    cured: true,
  },
  {
    rule: 'aerial-bonded',
    mistake: () => house([{ typeId: 'aerial', at: [2, -0.1] }]),
    clean: () => house([...EARTHED, { typeId: 'aerial', at: [2, -0.1] }]),
    code: 'aerial-not-bonded',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'aerial-bonded',
    mistake: () => house([{ typeId: 'dish', at: [2, -0.1] }, ...EARTHED]),
    clean: () => house([...EARTHED, { typeId: 'dish', at: [2, -0.1] }]),
    code: 'mast-own-bond',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'aerial-bonded',
    mistake: () => house([EARTHED[0], { typeId: 'aerial', at: [2, -0.1] }]),
    clean: () => house([...EARTHED, { typeId: 'aerial', at: [2, -0.1] }]),
    code: 'bar-not-at-electrode',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'rack-front-clear',
    mistake: () => {
      const project = house();
      return { ...project, racks: { rack: { ...project.racks.rack, facingRad: 0 } } };
    },
    clean: () => house(),
    code: 'rack-no-room',
    about: 'racks',
    // Its front is 0.1 m before the middle of the east wall, which is 0.12 m thick.
    figures: [0.04, 0.76, 1e-6],
    cured: true,
  },
  {
    rule: 'seals-closed',
    mistake: () => onDay(house([SPEAKER]), 'board', '2026-11-12'),
    clean: () => onDay(house([SPEAKER]), 'board', '2026-12-12'),
    code: 'seal-open',
    about: 'runs',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'rooms-discussed',
    mistake: () => onDay(talked('a', ['sound']), 'low-voltage-rough-in', '2026-11-12'),
    clean: () => onDay(talked('a', ['sound']), 'low-voltage-rough-in', '2027-01-12'),
    code: 'room-not-discussed',
    about: 'rooms',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'rooms-discussed',
    mistake: () => onDay(withThing(talkedAll(), terrace()), 'low-voltage-rough-in', '2026-11-12'),
    clean: () => onDay(talkedAll(), 'low-voltage-rough-in', '2026-11-12'),
    code: 'room-not-discussed',
    about: 'features',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'outdoors-in-brief',
    mistake: () => outdoors(talked('a', ['sound'])),
    clean: () => outdoors(withThing(talked('a', ['sound']), terrace())),
    code: 'outdoors-not-asked',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'later-pre-wired',
    mistake: () => onDay(later(true), 'low-voltage-rough-in', '2026-11-12'),
    clean: () => onDay(later(false), 'low-voltage-rough-in', '2026-11-12'),
    code: 'later-not-prewired',
    about: 'rooms',
    today: '2026-11-10',
    cured: true,
  },
  {
    rule: 'asked-for',
    mistake: () => signed(talked('a', ['sound'])),
    clean: () => signed(talked('a', ['sound', 'network'])),
    code: 'device-not-asked',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'openings-fit',
    mistake: () => house([], { openings: [door({ widthM: 6 })] }),
    clean: () => house([], { openings: [door({})] }),
    code: 'opening-wider-than-wall',
    about: 'openings',
    cured: true,
  },
  {
    rule: 'levels-apart',
    mistake: () => sunk(2.2),
    clean: () => sunk(2.5),
    code: 'levels-overlap',
    about: 'levels',
    cured: true,
  },
  {
    rule: 'ceiling-above-heads',
    mistake: () => house([], { rooms: [{ ceilingHeightM: 1.99 }], openings: [door({})] }),
    clean: () => house([], { rooms: [{ ceilingHeightM: 2 }], openings: [door({})] }),
    code: 'ceiling-below-head',
    about: 'rooms',
    figures: [1.99, 2],
    cured: false,
  },
  {
    rule: 'rooms-closed',
    mistake: () => without(house(), 'walls', 'west'),
    clean: () => house(),
    code: 'room-open',
    about: 'rooms',
    cured: false,
  },
  {
    rule: 'cavities-known',
    mistake: () => asked('not-known'),
    clean: () => asked('measured'),
    code: 'cavity-not-known',
    about: 'walls',
    cured: false,
  },
  {
    rule: 'ways-open',
    mistake: () => {
      const project = twoStoreyHouse();
      return { ...project, risers: { shaft: { ...project.risers.shaft, topLevelId: 'm' } } };
    },
    clean: () => twoStoreyHouse(),
    code: 'riser-one-level',
    about: 'risers',
    cured: true,
  },
  {
    rule: 'rules-kept',
    mistake: () => ruled('no-such-riser'),
    clean: () => ruled('shaft'),
    code: 'rule-not-passed',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'kept-route-differs',
    mistake: () => applied(issued(), [update('devices', Object.values(issued().devices)[0], { x: 3 })!]),
    clean: () => issued(),
    code: 'kept-route-differs',
    about: 'runs',
    cured: true,
  },
  {
    rule: 'changed-after-boards',
    mistake: () =>
      onDay(applied(issued(), [update('devices', Object.values(issued().devices)[0], { x: 3 })!]), 'board', '2026-11-10'),
    clean: () => onDay(issued(), 'board', '2026-11-10'),
    code: 'changed-after-boards',
    about: 'runs',
    today: '2026-11-10',
    cured: true,
  },
  {
    rule: 'buildable',
    // Joists lie every 0.4 m from the wall of the room.
    mistake: () => house([{ ...SPEAKER, at: [1, 2.01] }]),
    clean: () => house([{ ...SPEAKER, at: [1, 2.2] }]),
    code: 'mount-on-joist',
    about: 'devices',
    cured: true,
  },
  {
    rule: 'plates-sound',
    mistake: () => plated({ mainsGangs: 1, divider: false }),
    clean: () => plated({ mainsGangs: 1, divider: true }),
    code: 'plate-no-divider',
    about: 'plates',
    figures: [0, 1],
    cured: true,
  },
  {
    rule: 'one-thermostat',
    mistake: () => house([THERMOSTAT, { ...THERMOSTAT, at: [5.05, 3] }]),
    clean: () => house([THERMOSTAT, { ...THERMOSTAT, at: [5.15, 3] }]),
    code: 'climate-twice',
    about: 'devices',
    figures: [2, 1],
    cured: false,
  },
  {
    rule: 'ways-fit',
    // One cable in a duct of 8 mm: more than 53 %.
    mistake: () => ducted(0.008),
    clean: () => ducted(0.05),
    code: 'way-over-full',
    about: 'features',
    cured: true,
  },
  {
    rule: 'bundles-sound',
    mistake: () => bundled(25),
    clean: () => bundled(24),
    code: 'bundle-too-warm',
    about: 'runs',
    figures: [25, 24],
    cured: true,
  },
  {
    rule: 'conduits-planned',
    mistake: () => withThing(house([{ typeId: 'display', at: [2, 0.05] }]), outlet(2)),
    clean: () => house([SPEAKER]),
    code: 'conduits-missing',
    about: 'devices',
    figures: [1, 0],
    cured: true,
  },
  {
    rule: 'bores-allowed',
    // RG 11 of 10.3 mm wants a hole of 16.3 mm by 40 % of its area; 2 in from both edges of 110 mm leave 8.4 mm.
    mistake: () => joisted(0.11),
    clean: () => joisted(0.235),
    code: 'bore-too-large',
    about: 'rooms',
    cured: false,
  },
  {
    rule: 'bores-apart',
    mistake: () => combed(60),
    clean: () => combed(12),
    code: 'bores-crowded',
    about: 'rooms',
    cured: true,
  },
  {
    rule: 'notches-allowed',
    mistake: () => notched(0.03),
    clean: () => notched(0.02),
    code: 'notch-over',
    about: 'features',
    figures: [0.03, 0.089 / 4],
    cured: true,
  },
  {
    rule: 'screed-sound',
    mistake: () => screed(2.4),
    clean: () => screed(2),
    code: 'screed-moved',
    about: 'features',
    cured: true,
  },
  {
    rule: 'brief-met',
    mistake: () => wanted(2),
    clean: () => wanted(1),
    code: 'brief-device-missing',
    about: 'rooms',
    figures: [1, 2],
    cured: false,
  },
  {
    rule: 'nothing-on-purpose',
    mistake: () => talked('a', ['network'], 'nothing'),
    clean: () => talked('a', ['network']),
    code: 'brief-nothing-wanted',
    about: 'rooms',
    figures: [1, 0],
    cured: true,
  },
  {
    rule: 'decisions-in-time',
    mistake: () => undecided(''),
    clean: () => undecided('wide'),
    code: 'decision-late',
    about: 'decisions',
    today: '2026-11-10',
    cured: false,
  },
  {
    rule: 'signed-rooms',
    mistake: () => signed(talked('a', BRIEF_TOPICS.slice(1))),
    clean: () => signed(talked('a', BRIEF_TOPICS)),
    code: 'signed-not-discussed',
    about: 'rooms',
    cured: true,
  },
  {
    rule: 'jackets-told-apart',
    mistake: () => jackets(() => 'white'),
    clean: () => jackets((family) => family),
    code: 'jackets-alike',
    about: 'devices',
    figures: [2, 1],
    cured: false,
  },
];
const THERMOSTAT: Place = { typeId: 'thermostat', at: [5.05, 1.5] };

function sunk(elevationM: number): ProjectDocument {
  const project = twoStoreyHouse();
  return { ...project, levels: { ...project.levels, u: { ...project.levels.u, elevationM } } };
}
function without(project: ProjectDocument, list: 'walls', id: string): ProjectDocument {
  const { [id]: _gone, ...rest } = project[list];
  return { ...project, [list]: rest };
}
const asked = (state: 'measured' | 'not-known'): ProjectDocument =>
  applied(house(), [
    create('facts', { id: 'f', subject: 'walls', subjectId: 'west', field: 'cavityDepthM', state, by: '', on: '', note: '' }),
  ]);
const ruled = (targetId: string): ProjectDocument =>
  applied(withDevices(twoStoreyHouse(), [SPEAKER], countedIds()).project, [
    create('routeRules', { id: 'rule', runId: null, kind: 'through', target: 'riser', targetId, at: null, note: '' }),
  ]);
function issued(): ProjectDocument {
  const project = house([SPEAKER]);
  const operations = runState(project, Object.keys(project.runs), 'issued', proposedRoutes(project));
  if (!operations.ok) throw new Error(operations.problem.code);
  return applied(project, operations.value);
}
const plated = (more: Partial<Plate>): ProjectDocument =>
  applied(house(), [
    create('plates', {
      id: 'p',
      levelId: 'm',
      roomId: 'a',
      name: '',
      x: 3,
      y: 0.06,
      heightM: 0.4,
      facingRad: Math.PI / 2,
      gangs: 2,
      boxKind: 'two-gang',
      divider: false,
      mainsGangs: 0,
      opening: 'inserts',
      finish: '',
      inserts: [],
      besideM: null,
      ...more,
    }),
  ]);
function ducted(insideM: number): ProjectDocument {
  const project = pump(20);
  return { ...project, features: { duct: { ...project.features.duct, insideDiameterM: insideM } } };
}
/** So many cables of class 6 in one bundle, two from each drop. */
function bundled(count: number): ProjectDocument {
  const places = Array.from({ length: 13 }, (_, n): Place => ({ typeId: 'network-drop', at: [0.4 + n * 0.35, 0.05] }));
  const project = house(places);
  const type = { ...project.deviceTypes['network-drop'], poeClass: 6 };
  const runs = Object.values(project.runs).map((run, n) => ({ ...run, bundle: n < count ? 'B-01' : '' }));
  return { ...project, runs: tableFrom(runs), deviceTypes: { ...project.deviceTypes, [type.id]: type } };
}
/** So many data cables through joists of 100 mm, in which the UK allows holes of 25 mm, five or six cables in each. */
function combed(count: number): ProjectDocument {
  const across = { joistAngleRad: Math.PI / 2, joistDepthM: 0.1 };
  const places = Array.from({ length: count / 2 }, (_, n): Place => ({ typeId: 'network-drop', at: [0.2 + n * 0.15, 0.05] }));
  const project = house(places, { rooms: [across, across] });
  return { ...project, project: { ...project.project, jurisdiction: 'UK' } };
}
/** A stud of 89 mm in a bearing wall, notched so deep. */
const notched = (depthM: number): ProjectDocument =>
  withThing(smallHouse({ walls: { south1: { cavityDepthM: 0.089 } } }), {
    id: 'notch',
    levelId: 'm',
    kind: 'existing-notch',
    name: 'For the old pipe',
    points: [[2, 0]],
    depthM,
    bottomM: 1,
    topM: 1.05,
  });
function joisted(joistDepthM: number): ProjectDocument {
  const across = { joistAngleRad: Math.PI / 2, joistDepthM };
  const project = house([SPEAKER], { rooms: [across, across] });
  return { ...project, project: { ...project.project, jurisdiction: 'NA' } };
}
/** A way in the screed, signed where it turned at 2 m, that turns elsewhere now. */
function screed(turnM: number): ProjectDocument {
  const points = (y: number): [number, number][] => [
    [1, 0.3],
    [1, y],
    [9.9, y],
  ];
  const pathway = newFeature({
    id: 'way',
    levelId: 'm',
    kind: 'screed-way',
    name: 'To the rack',
    points: points(turnM),
    widthM: 0.025,
    bottomM: -0.095,
    topM: -0.07,
    insideDiameterM: 0.02,
  });
  return applied(house(), [
    create('features', pathway),
    create('waySigns', {
      id: 's',
      featureId: 'way',
      points: points(2),
      coverM: 0.07,
      photo: 'p.jpg',
      by: 'crew',
      on: '2026-10-01',
      note: '',
    }),
  ]);
}
function wanted(count: number): ProjectDocument {
  const project = talked('a', ['network']);
  return { ...project, briefCells: { c_network: { ...project.briefCells.c_network, count } } };
}
const undecided = (chosen: string): ProjectDocument =>
  onDay(
    applied(house(), [
      create('decisions', {
        id: 'd',
        roomId: 'a',
        areaId: null,
        subject: 'Screen',
        options: [{ name: 'wide', typeId: null }],
        gate: 'board',
        leadDays: 30,
        owner: 'client',
        chosen,
        decidedOn: chosen === '' ? '' : '2026-10-01',
        note: '',
      }),
    ]),
    'board',
    '2026-11-20',
  );
/** A display to which cables of two families come, each in a jacket of this colour. */
function jackets(colourOf: (family: string) => string): ProjectDocument {
  const project = house([{ typeId: 'display', at: [2, 0.05] }]);
  return Object.values(project.cableTypes).reduce(
    (next, { id, family }) => withCable(next, id, { jacketColour: colourOf(family) }),
    project,
  );
}

/** The hollow over the west room moves air from this height on. */
const aired = (bottomM: number): ProjectDocument =>
  withThing(house([SPEAKER]), {
    id: 'air',
    levelId: 'm',
    kind: 'air-space',
    name: 'Return air',
    area: true,
    points: [
      [0, 0],
      [5.1, 0],
      [5.1, 4.1],
      [0, 4.1],
    ],
    bottomM,
    topM: 2.8,
  });
/** A heat pump so far from the house, at the end of a duct in the ground. */
const pump = (awayM: number): ProjectDocument =>
  withThing(house([{ typeId: 'heat-pump', at: [-awayM, 2] }]), {
    id: 'duct',
    levelId: 'm',
    kind: 'underground-way',
    points: [
      [-awayM, 2],
      [0, 2],
    ],
    widthM: 0.05,
    bottomM: -0.6,
    topM: -0.55,
    insideDiameterM: 0.05,
  });
function wet(x: number): Parameters<typeof newFeature>[0] {
  const points: [number, number][] = [
    [x, 0],
    [x + 1.5, 0],
    [x + 1.5, 1.5],
    [x, 1.5],
  ];
  return { id: 'wet', levelId: 'm', kind: 'wet-zone', name: 'Shower', area: true, points, bottomM: 0, topM: 2.2 };
}
const outlet = (x: number): Parameters<typeof newFeature>[0] => ({
  id: 'mark',
  levelId: 'm',
  kind: 'trade-mark',
  name: 'Socket',
  owner: 'electrician',
  points: [[x, 0.1]],
});
/** The bar at the entry, then the electrode of the building. */
const EARTHED: Place[] = [
  { typeId: 'bonding-bar', at: [9, 0.05] },
  { typeId: 'building-electrode', at: [8.5, 0.05] },
];
/** A display with an optical lead home, and why it lies in no conduit. */
function opticalLead(reason: string): ProjectDocument {
  const project = house([{ typeId: 'display', at: [1, 0.05] }]);
  const lead = Object.values(project.runs).find(({ cableTypeId }) => cableTypeId === 'hdmi_fibre')!;
  return applied(project, [update('runs', lead, { reason, note: 'as asked' })!]);
}
/** A speaker whose cable is one that was found. */
const inFound = (more: Parameters<typeof found>[0]): ProjectDocument =>
  withRun(withThing(house([SPEAKER]), found(more)), { foundId: 'found' });
const found = (
  more: Partial<Parameters<typeof newFeature>[0]> & { kind: Feature['kind'] },
): Parameters<typeof newFeature>[0] => ({
  id: 'found',
  levelId: 'm',
  name: 'Old one',
  decision: 'reuse',
  points:
    more.kind === 'existing-wiring'
      ? [
          [1, 1],
          [3, 1],
        ]
      : [[2, 0.06]],
  ...more,
});
const switchBox = (neutral: 'present' | 'absent'): Parameters<typeof newFeature>[0] => ({
  id: 'box',
  levelId: 'm',
  kind: 'existing-switch-box',
  name: 'Hall',
  neutral,
  points: [[2, 0.06]],
});
const door = (more: Partial<Parameters<typeof newOpening>[0]>) =>
  newOpening({ id: 'd', wallId: 'middle', kind: 'door', offsetM: 2, widthM: 0.9, sillM: 0, headM: 2, ...more });
function inRoomOf(project: ProjectDocument, use: string): ProjectDocument {
  return { ...project, rooms: { ...project.rooms, a: newRoom({ ...project.rooms.a, use, name: use }) } };
}
/** So many speakers of 8 ohm on thick cable, each leading on to the one before it. */
function chain(count: number): ProjectDocument {
  const project = house(Array.from({ length: count }, (_, n): Place => ({ typeId: 'ceiling-speaker', at: [6 + n, 2] })));
  const runs = Object.values(project.runs).sort((a, b) => (a.number < b.number ? -1 : 1));
  const operations = runs
    .slice(1)
    .flatMap((run, n) => update('runs', run, { toDeviceId: runs[n].deviceId, rackSlackM: 0.6 }) ?? []);
  const thick = runs.flatMap((run) => update('runs', run, { cableTypeId: 'spk_12_2' }) ?? []);
  return applied(applied(project, thick), operations as Operation[]);
}
/** Two speakers in the western room on one four-conductor cable with a jumper; each run alone is thick enough. */
function pair(home: string, jumper: string): ProjectDocument {
  const project = house([
    { typeId: 'ceiling-speaker', at: [4, 2] },
    { typeId: 'ceiling-speaker', at: [1, 2] },
  ]);
  const paired = pairSpeakers(project, Object.keys(project.devices) as [string, string]);
  if (!paired.ok) throw new Error(paired.problem.code);
  const after = applied(project, paired.value);
  const runs = Object.values(after.runs);
  const cableOf = (run: Run) => update('runs', run, { cableTypeId: run.toDeviceId === null ? home : jumper }) ?? [];
  return applied(after, runs.flatMap(cableOf));
}
/** A room with a network drop, in which these topics were talked about. */
function talked(roomId: string, topics: readonly BriefTopic[], answer: 'wanted' | 'nothing' = 'wanted'): ProjectDocument {
  const project = house([DROP]);
  return applied(
    project,
    topics.map((topic) =>
      create('briefCells', {
        id: `c_${topic}`,
        roomId,
        areaId: null,
        topic,
        answer,
        count: answer === 'nothing' ? 0 : topic === 'network' ? 1 : 0,
        threshold: null,
        typeId: null,
        phaseId: null,
        layout: '',
        preWired: true,
        note: '',
      }),
    ),
  );
}
const terrace = () => ({
  id: 'terrace',
  levelId: 'm',
  kind: 'terrace' as const,
  name: 'Terrace',
  area: true,
  points: [
    [0, -4],
    [5, -4],
    [5, -0.3],
    [0, -0.3],
  ] as [number, number][],
});
const outdoors = (project: ProjectDocument): ProjectDocument =>
  withDevices(project, [{ typeId: 'camera', at: [2, -0.5] }], countedIds('out')).project;
/** Every topic of both rooms was talked about. */
const talkedAll = (): ProjectDocument => {
  const project = talked('a', [...BRIEF_TOPICS]);
  const cells = Object.values(project.briefCells).map((cell) => ({ ...cell, id: `${cell.id}_b`, roomId: 'b' }));
  return { ...project, briefCells: { ...project.briefCells, ...tableFrom(cells) } };
};
/** Wi-Fi that comes in a later phase, without anything on the plan. */
function later(preWired: boolean): ProjectDocument {
  const project = talked('a', ['wifi']);
  return { ...project, briefCells: { c_wifi: { ...project.briefCells.c_wifi, answer: 'later', count: 1, preWired } } };
}
const signed = (project: ProjectDocument): ProjectDocument =>
  applied(project, [
    create('roomBriefs', {
      id: 'rb',
      roomId: 'a',
      areaId: null,
      who: '',
      used: '',
      noise: '',
      overflowSeats: 0,
      useGroups: [],
      walkOrder: 0,
      signedBy: 'the client',
      signedOn: '2026-10-01',
      asksToSign: '',
      alsoSignedOn: '',
      pastSignatures: [],
    }),
  ]);
