import { curesFor, runChecks } from '../../core/rules/index.ts';
import type { Point2 } from '../../core/math/index.ts';
import { composePlate, platesWanted } from '../../core/devices/index.ts';
import {
  create,
  type GroupKind,
  newHeader,
  type Operation,
  type Scene,
  update,
  updateProject,
  THEATRE_DEFAULTS,
  type ProjectDocument,
  type SystemName,
} from '../../core/model/index.ts';
import { bundleByRoute, planRuns } from '../../core/runs/index.ts';
import { signFloorConduit } from '../../core/pathways/index.ts';
import { planRf } from '../../core/head-end/index.ts';
import { addBrief } from './brief.ts';
import { DRAWN_ON, HouseBuilder, must, type RoomPlan, sayWhyNoConduit } from './house-builder.ts';

const STONE_LINED = { kind: 'furred', thicknessM: 0.45, cavityDepthM: 0.095, cableMayRun: true } as const;
const STONE_BARE = { kind: 'masonry', thicknessM: 0.45, cavityDepthM: 0, cableMayRun: false } as const;
const STUD = { kind: 'stud', thicknessM: 0.12, cavityDepthM: 0.089, cableMayRun: true } as const;

const LOWER: RoomPlan[] = [
  { code: 'SC', name: 'Screening room', use: 'theatre', box: [0, 4.5, 7, 10] },
  { code: 'GY', name: 'Gym', use: 'gym', box: [0, 0, 7, 4.5] },
  { code: 'CO', name: 'Corridor', use: 'circulation', box: [7, 0, 10, 10], joistAngleRad: 0 },
  { code: 'WN', name: 'Wine store', use: 'store', box: [10, 0, 12.5, 3] },
  { code: 'PL', name: 'Plant room', use: 'plant', box: [10, 3, 12.5, 5.5], ceilingHeightM: 2.3, framing: 'dropped' },
  { code: 'SO', name: 'Boat store', use: 'store', box: [10, 5.5, 12.5, 10] },
  { code: 'WK', name: 'Workshop', use: 'workshop', box: [12.5, 5.5, 18, 10] },
  { code: 'LA', name: 'Laundry', use: 'utility', box: [12.5, 0, 18, 5.5] },
];

const MAIN: RoomPlan[] = [
  { code: 'GR', name: 'Great room', use: 'living', box: [0, 4.5, 7, 10] },
  { code: 'MU', name: 'Music room', use: 'music', box: [0, 0, 4.5, 4.5] },
  { code: 'ST', name: 'Study', use: 'study', box: [4.5, 0, 7, 4.5] },
  { code: 'HA', name: 'Hall', use: 'circulation', box: [7, 0, 10, 5.5], joistAngleRad: 0 },
  { code: 'KI', name: 'Kitchen', use: 'kitchen', box: [7, 5.5, 12.5, 10], ceilingHeightM: 2.6, framing: 'dropped' },
  { code: 'DN', name: 'Dining room', use: 'dining', box: [12.5, 5.5, 18, 10] },
  { code: 'PA', name: 'Pantry', use: 'store', box: [10, 3, 12.5, 5.5] },
  { code: 'CK', name: 'Cloakroom', use: 'bath', box: [10, 0, 12.5, 3], ceilingHeightM: 2.4, framing: 'dropped' },
  { code: 'BT', name: 'Boot room', use: 'utility', box: [12.5, 0, 15, 5.5] },
  { code: 'GG', name: 'Garage', use: 'garage', box: [15, 0, 18, 5.5] },
];

const UPPER: RoomPlan[] = [
  { code: 'MS', name: 'Main suite', use: 'bedroom', box: [0, 4.5, 7, 10] },
  { code: 'MB', name: 'Main bath', use: 'bath', box: [0, 0, 3.5, 4.5] },
  { code: 'DR', name: 'Dressing room', use: 'dressing', box: [3.5, 0, 7, 4.5] },
  { code: 'LD', name: 'Landing', use: 'circulation', box: [7, 0, 10, 10], joistAngleRad: 0 },
  { code: 'B2', name: 'Creek bedroom', use: 'bedroom', box: [10, 5.5, 14, 10] },
  { code: 'B3', name: 'Reed bedroom', use: 'bedroom', box: [14, 5.5, 18, 10] },
  { code: 'LN', name: 'Linen room', use: 'store', box: [10, 2.5, 12.5, 5.5] },
  { code: 'BA', name: 'Bath', use: 'bath', box: [10, 0, 12.5, 2.5] },
  { code: 'LF', name: 'Loft study', use: 'study', box: [12.5, 0, 18, 5.5] },
];

type Placing = readonly [type: string, x: number, y: number, name?: string, heightM?: number];

const LOWER_DEVICES: Placing[] = [
  ['wall-speaker', 2.25, 9.8, 'front left'],
  ['wall-speaker', 3.6, 9.8, 'centre'],
  ['wall-speaker', 4.95, 9.8, 'front right'],
  ['wall-speaker', 0.2, 7, 'side left', 2.15],
  ['wall-speaker', 6.9, 7, 'side right', 2.15],
  ['wall-speaker', 1.75, 4.6, 'back left', 2.15],
  ['wall-speaker', 5.45, 4.6, 'back right', 2.15],
  ['theatre-ceiling-speaker', 2.2, 8.3, 'top front left'],
  ['theatre-ceiling-speaker', 5, 8.3, 'top front right'],
  ['theatre-ceiling-speaker', 2.2, 5.6, 'top rear left'],
  ['theatre-ceiling-speaker', 5, 5.6, 'top rear right'],
  ['subwoofer', 0.6, 9.8, 'subwoofer left'],
  ['subwoofer', 6.4, 9.8, 'subwoofer right'],
  ['projector', 3.6, 5.3, '', 2.12],
  ['fixed-screen', 3.6, 9.7, '', 1.2],
  ['touch-panel', 6.9, 5.2],
  ['ceiling-speaker', 2, 2.3, 'left'],
  ['ceiling-speaker', 5, 2.3, 'right'],
  ['display', 3.4, 0.1, '', 1.6],
  ['access-point', 8.5, 5.2],
  ['motion-sensor', 7.1, 0.9],
  ['network-drop', 17.8, 7.4],
  ['network-drop', 12.6, 1.4],
  ['keypad', 9.9, 6.1],
];

const MAIN_DEVICES: Placing[] = [
  ['ceiling-speaker', 1.9, 8.6, 'left'],
  ['ceiling-speaker', 5.1, 8.6, 'right'],
  ['ceiling-speaker', 1.9, 6, 'rear left'],
  ['ceiling-speaker', 5.1, 6, 'rear right'],
  ['display', 5.6, 4.6, 'over the fireplace', 1.5],
  ['shade', 1.8, 9.8, 'north bay'],
  ['shade', 5.2, 9.8, 'north bay'],
  ['shade', 0.2, 7.2, 'creek window'],
  ['keypad', 6.9, 5.3],
  ['access-point', 3.5, 7.3],
  ['wall-speaker', 1.3, 4.4, 'left', 1.1],
  ['wall-speaker', 3.2, 4.4, 'right', 1.1],
  ['network-drop', 0.2, 1.2],
  ['keypad', 4.4, 3.9],
  ['network-drop', 4.6, 1.6, 'desk'],
  ['ceiling-speaker', 5.75, 2.6],
  ['display', 6.9, 2.6, '', 1.35],
  ['door-station', 7.7, -0.1],
  ['touch-panel', 9.9, 1.6],
  ['motion-sensor', 7.1, 1.1, 'stair foot'],
  ['ceiling-speaker', 8.8, 8.4, 'left'],
  ['ceiling-speaker', 10.9, 8.4, 'right'],
  ['access-point', 9.8, 6.8],
  ['display', 12.4, 7.4, '', 1.5],
  ['keypad', 9.1, 5.6],
  ['thermostat', 8.4, 5.4],
  ['ceiling-speaker', 14, 7.8, 'left'],
  ['ceiling-speaker', 16.5, 7.8, 'right'],
  ['shade', 15.2, 9.8],
  ['keypad', 12.6, 6.2],
  ['opening-contact', 13.8, 0.1, 'boot room door'],
  ['network-drop', 12.6, 4.4],
  ['camera', 6.6, 10.3, 'north lawn'],
  ['camera', -0.3, 2.2, 'creek side'],
  ['camera', 8.9, -0.3, 'front door'],
  ['terrace-speaker', 13.4, 10.3, 'terrace left'],
  ['terrace-speaker', 17.2, 10.3, 'terrace right'],
  ['glass-break', 2.6, 9.4],
  ['siren', 9.9, 3.1],
];

const UPPER_DEVICES: Placing[] = [
  ['ceiling-speaker', 2, 7.6, 'left'],
  ['ceiling-speaker', 5, 7.6, 'right'],
  ['display', 3.5, 4.6, '', 1.3],
  ['shade', 2, 9.8],
  ['shade', 5, 9.8],
  ['shade', 0.2, 7],
  ['keypad', 6.9, 5.2],
  ['keypad', 0.9, 4.6, 'bedside'],
  ['network-drop', 1.6, 4.6],
  ['ceiling-speaker', 1.7, 2.2],
  ['keypad', 3.4, 4.1],
  ['strip-light', 5.2, 4.4],
  ['access-point', 8.5, 6],
  ['motion-sensor', 9.9, 9.6],
  ['thermostat', 7.1, 3.6],
  ['display', 13.9, 7.6, '', 1.3],
  ['network-drop', 10.1, 8.6],
  ['shade', 12, 9.8],
  ['display', 14.1, 7.6, '', 1.3],
  ['network-drop', 17.8, 8.6],
  ['shade', 16, 9.8],
  ['ceiling-speaker', 15.2, 3, 'left'],
  ['network-drop', 17.8, 2],
  ['network-drop', 12.6, 1.2, 'desk'],
  ['access-point', 14.6, 4.4],
  ['camera', 18.3, 3, 'drive'],
];

/** What distinguishes the two houses built on this plan. */
export interface GranaryIdentity {
  readonly shortId: string;
  readonly name: string;
  readonly description: string;
  readonly client: string;
  readonly address: string;
}

/**
 * The converted granary: three levels between stone walls, one riser, one rack in the plant room.
 * Where a speaker run of the recipe's gauge is too long, the design takes the cure that the check offers.
 */
export function buildGranary(identity: GranaryIdentity): { builder: HouseBuilder; project: ProjectDocument } {
  const house = new HouseBuilder({
    ...newHeader(identity.shortId, identity.name, 'metric'),
    sharedRoutes: false,
    roomDataCables: 2,
    ...identity,
  });
  const lower = house.level({ code: 'L', name: 'Lower', order: -1, elevationM: -2.76, ceilingHeightM: 2.4, cavityDepthM: 0.36 });
  const main = house.level({ code: 'M', name: 'Main', order: 0, elevationM: 0, ceilingHeightM: 2.74, cavityDepthM: 0.36 });
  const upper = house.level({ code: 'U', name: 'Upper', order: 1, elevationM: 3.1, ceilingHeightM: 2.5, cavityDepthM: 0.4 });
  house.rooms(lower, LOWER, STONE_LINED, STUD);
  house.rooms(main, MAIN, STONE_LINED, STUD, { GG: STONE_BARE });
  house.rooms(upper, UPPER, STONE_LINED, STUD);
  house.riser({ name: 'Riser', x: 10.35, y: 5.15, widthM: 0.4, depthM: 0.4, bottomLevelId: lower, topLevelId: upper });
  house.rack({
    levelId: lower,
    code: 'A',
    name: 'Rack A',
    x: 12.05,
    y: 4.25,
    facingRad: Math.PI,
    widthM: 0.6,
    depthM: 0.8,
    units: 42,
    entryHeightM: 2.1,
  });
  addOpenings(house, lower, main, upper);
  for (const [levelId, list] of [
    [lower, LOWER_DEVICES],
    [main, MAIN_DEVICES],
    [upper, UPPER_DEVICES],
  ] as const) {
    for (const [type, x, y, name, heightM] of list) house.device(levelId, type, [x, y], name, heightM);
  }
  house.makeBuildable();
  for (const finding of runChecks(house.project, DRAWN_ON)) {
    if (finding.rank !== 'fine' && finding.check === 'speaker-cable-loss' && curesFor(finding, house.project)[0])
      house.apply(curesFor(finding, house.project)[0].operations);
  }
  house.thing(main, 'stub-out', [[-1.2, -2.4]], {
    name: 'Gate intercom',
    contents: 'duct 50, two drawstrings',
    insideDiameterM: 0.05,
  });
  house.thing(main, 'stub-out', [[19.6, 4.5]], { name: 'Terrace speakers', contents: 'duct 32', insideDiameterM: 0.032 });
  house.thing(main, 'draw-pit', [[-3.5, -4.2]], { name: 'Pit at the drive' });
  house.thing(
    main,
    'underground-way',
    [
      [-1.2, -2.4],
      [-3.5, -4.2],
    ],
    { name: 'To the gate', insideDiameterM: 0.05, note: 'Warning tape above; depth by local rule' },
  );
  addScreedDuct(house, lower);
  addTheatre(house, lower);
  house.apply(bundleByRoute(planRuns(house.project), house.project.cableTypes));
  sayWhyNoConduit(house);
  addBrief(house, {
    open: ['LF', 'B3', 'WK'],
    signed: ['SC', 'GR', 'KI', 'DN', 'MU', 'MS'],
    areas: [
      { kind: 'terrace', name: 'Creek terrace' },
      { kind: 'drive', name: 'Drive' },
      { kind: 'garden', name: 'Garden' },
      { kind: 'facade', name: 'South facade' },
      { kind: 'facade', name: 'East facade' },
      { kind: 'facade', name: 'North facade' },
      { kind: 'facade', name: 'West facade' },
    ],
    habits: {
      GR: { who: 'Two on the sofa towards the fireplace', used: 'daily', overflowSeats: 6 },
      KI: { who: 'Cook at the island, two stools', used: 'daily', noise: 'extractor hood' },
      SC: {
        who: 'Three seats in the first row, four behind',
        used: 'weekly',
        noise: 'bedroom above: quiet after nine',
        useGroups: [
          { name: 'The two of them', people: 2, used: 'daily' },
          { name: 'With the children', people: 5, used: 'weekly' },
        ],
      },
      MS: { who: 'Bed against the east wall', used: 'daily' },
      LF: { who: 'One desk under the window', used: 'daily' },
    },
    dates: {
      framing: '2026-12-14',
      'mains-rough-in': '2027-01-08',
      'low-voltage-rough-in': '2027-01-18',
      inspection: '2027-01-29',
      insulation: '2027-02-08',
      board: '2027-02-22',
      mud: '2027-03-01',
      paint: '2027-03-19',
      joinery: '2027-04-05',
      'trim-out': '2027-05-17',
    },
    decisions: [
      {
        room: 'SC',
        subject: 'Projector or a large display in the screening room',
        options: [
          { name: 'Projector', typeId: 'projector' },
          { name: 'Display, large', typeId: 'large-display' },
        ],
        gate: 'board',
        leadDays: 14,
        owner: 'The granary household',
      },
      {
        room: 'LF',
        subject: 'Desk on the window side or the stair side',
        options: [{ name: 'Network drop, desk', typeId: 'desk-drop' }],
        gate: 'low-voltage-rough-in',
        leadDays: 21,
        owner: 'The granary household',
      },
      {
        room: 'ST',
        subject: 'Antenna, or programs over the network alone',
        options: [
          { name: 'Coax outlet', typeId: 'coax-outlet' },
          { name: 'Network drop', typeId: 'network-drop' },
        ],
        gate: 'insulation',
        leadDays: 7,
        owner: 'The granary household',
      },
    ],
    compromises: [
      {
        room: 'GR',
        what: 'Display over the fireplace',
        reason: 'The long wall is glass and the short one has the stair door',
        effect: 'Picture centre 0.4 m above the eye; a tilting mount, and no fire while watching',
      },
    ],
    packageLines: [
      'Great room: 2 x ceiling speaker',
      'Kitchen: 2 x ceiling speaker',
      '4 x network outlet',
      'Study: 2 x network outlet',
      '6 x coax outlet',
      'Front door bell with picture',
      'Provision for blinds as agreed',
    ].join('\n'),
  });
  // The prepared cables of open decisions go with the others.
  house.apply(bundleByRoute(planRuns(house.project), house.project.cableTypes));
  addZones(house);
  addPlates(house, ['GR', 'MU', 'ST', 'HA', 'KI']);
  house.designHeadEnds();
  addSignals(house);
  addScenes(house);
  addSpools(house);
  addOffer(house);
  return { builder: house, project: house.finish() };
}

/** The provider's line on coax, read at its entry before anything was fixed, and the closet of the rack with its fan. */
function addSignals(house: HouseBuilder): void {
  const [rack] = Object.values(house.project.racks);
  house.apply([
    create('rfSources', {
      ...{ id: house.id('signal'), name: 'Provider', service: 'cable-modem', deviceId: null, lowestMhz: 55, highestMhz: 860 },
      ...{ atLowestDbuv: 68, atHighestDbuv: 71 },
      reading: { atLowestDbuv: 67, atHighestDbuv: 70, on: DRAWN_ON, by: 'the foreman' },
      ...{ latitudeDeg: null, longitudeDeg: null, transmitterLatitudeDeg: null, transmitterLongitudeDeg: null },
      ...{ slotDeg: null, declinationDeg: 0, horizon: [] },
    }),
    update('racks', rack, {
      closet: {
        ...{ wallM2: 20, wallWPerM2K: 2, exhaustM3PerS: 0.12, exhaustBy: 'fan', pierces: 'none', hasDamper: false, mostAirC: 32 },
      },
    })!,
  ]);
  const [signal] = Object.values(house.project.rfSources);
  house.apply(must(planRf(house.project, rack.id, signal.id, (kind) => house.id(kind))).operations);
}

/** What one press does: in the screening room, at the door, and at sunset. */
function addScenes(house: HouseBuilder): void {
  const devices = Object.values(house.project.devices);
  const inRoom = (code: string, ...typeIds: readonly string[]) =>
    devices.filter(
      ({ typeId, roomId }) => typeIds.includes(typeId) && (roomId === null ? '' : house.project.rooms[roomId].code) === code,
    );
  const shades = devices.filter(({ typeId }) => typeId === 'shade');
  const displays = devices.filter(({ typeId }) => /display|projector/.test(typeId));
  const acts = (list: typeof devices, does: string) => list.map(({ id }) => ({ deviceId: id, does }));
  const [touch] = devices.filter(({ typeId }) => typeId === 'touch-panel');
  const [keypad] = inRoom('GR', 'keypad');
  const scene = (name: string, more: Partial<Scene>): Operation =>
    create('scenes', {
      ...{ id: house.id('scene'), name, roomId: null, trigger: 'button', deviceId: null, at: '', actions: [] },
      ...more,
    });
  house.apply([
    scene('Film', {
      roomId: inRoom('SC', 'projector')[0]?.roomId ?? null,
      deviceId: (touch ?? keypad).id,
      actions: [...acts(inRoom('SC', 'projector'), 'on, cinema picture'), ...acts(inRoom('SC', 'shade'), 'down')],
    }),
    scene('Evening', { trigger: 'sunset', at: '20 minutes after sunset', actions: acts(shades, 'down') }),
    scene('Leave the house', {
      trigger: 'leave',
      deviceId: keypad.id,
      at: 'long press',
      actions: [...acts(displays, 'off'), ...acts(shades, 'up')],
    }),
  ]);
}

/** Two rows of seats in the screening room, the second on a riser with its steps, under an oak beam. */
function addTheatre(house: HouseBuilder, lower: string): void {
  house.thing(
    lower,
    'beam',
    [
      [0.2, 7.7],
      [6.95, 7.7],
    ],
    { name: 'Oak beam', widthM: 0.22, bottomM: 2.14, topM: 2.4, boreLeave: 'nobody bores it' },
  );
  house.thing(lower, 'seat-row', [[3.6, 7]], { name: 'First row', widthM: 2.1, depthM: 0.95 });
  house.thing(lower, 'seat-row', [[3.6, 5.45]], { name: 'Second row', widthM: 2.8, depthM: 0.95, bottomM: 0.36, topM: 1.41 });
  house.thing(lower, 'steps', [[5.5, 5.9]], {
    name: 'Steps to the second row',
    topM: 0.18,
    contents: 'step lights on both sides',
  });
  house.apply([
    create('theatres', {
      ...THEATRE_DEFAULTS,
      id: house.id('theatre'),
      roomId: Object.values(house.project.rooms).find(({ code }) => code === 'SC')!.id,
      layout: '7.2.4',
      school: 'practice',
      wantedDeg: 50,
      panelsM2: 12,
      peakDb: 95,
      amplifierW: 150,
    }),
  ]);
}

/** A duct from the rack to the seats of the screening room, under a heating pipe, photographed and signed before the pour. */
function addScreedDuct(house: HouseBuilder, lower: string): void {
  house.thing(
    lower,
    'pipe',
    [
      [8, 1],
      [8, 9],
    ],
    { name: 'Heating flow', bottomM: -0.05, topM: -0.03 },
  );
  house.thing(
    lower,
    'screed-way',
    [
      [12.5, 4.25],
      [3.5, 4.25],
      [3.5, 6.2],
    ],
    { name: 'To the seats', bottomM: -0.095, topM: -0.07, insideDiameterM: 0.0183, reserved: true, contents: 'pull string' },
  );
  const route = Object.values(house.project.features).find(({ kind }) => kind === 'screed-way')!;
  const given = { by: 'Demo planner', on: '2026-11-20', photo: 'granary-screed-01', note: '' };
  house.apply(must(signFloorConduit(house.project, route.id, given, house.id('sign'))));
}

function addOpenings(house: HouseBuilder, lower: string, main: string, upper: string): void {
  const doors = (levelId: string, places: readonly Point2[], widthM = 0.84) =>
    places.forEach((at) => house.opening(levelId, 'door', at, widthM, 0, 2.04));
  const windows = (levelId: string, places: readonly Point2[], widthM: number, sillM: number, headM: number) =>
    places.forEach((at) => house.opening(levelId, 'window', at, widthM, sillM, headM));
  doors(lower, [
    [7, 5.9],
    [7, 2.2],
    [10, 1.2],
    [10, 4],
    [10, 8],
    [12.5, 8.4],
    [12.5, 2.4],
  ]);
  doors(main, [
    [7, 6.4],
    [2.2, 4.5],
    [7, 3.6],
    [10, 4.1],
    [10, 2.2],
    [12.5, 3.7],
    [15, 2.6],
  ]);
  doors(
    main,
    [
      [8.5, 0],
      [13.8, 0],
    ],
    0.94,
  );
  house.opening(main, 'arch', [12.5, 9.1], 1.1, 0, 2.1);
  windows(
    main,
    [
      [1.8, 10],
      [5.2, 10],
    ],
    1.6,
    0.6,
    2.1,
  );
  windows(
    main,
    [
      [0, 7.2],
      [0, 3.2],
      [10.2, 10],
      [15.2, 10],
    ],
    1.4,
    0.9,
    2.1,
  );
  doors(upper, [
    [7, 5.8],
    [7, 2.6],
    [3.5, 3.4],
    [10, 6.2],
    [10, 4.4],
    [10, 1.4],
    [14, 6.1],
    [12.5, 4.8],
  ]);
  windows(
    upper,
    [
      [2, 10],
      [5, 10],
      [0, 7],
      [12, 10],
      [16, 10],
      [18, 4.2],
      [1.6, 0],
    ],
    1.2,
    0.8,
    2.05,
  );
}

/** Listening, alarm and shade zones: what belongs to one volume control, one alarm zone, one group of shades. */
function addZones(house: HouseBuilder): void {
  const zones: readonly (readonly [kind: GroupKind, name: string, system: SystemName, rooms: readonly string[]])[] = [
    ['audio', 'Living', 'sound', ['GR', 'KI']],
    ['audio', 'Table', 'sound', ['DN']],
    ['audio', 'Music', 'sound', ['MU', 'ST']],
    ['security', 'Creek side', 'guard', ['GR', 'DN', 'KI']],
    ['security', 'Entry', 'guard', ['HA', 'BT', 'GG']],
    ['shade', 'Evening sun', 'shade', ['GR', 'MU', 'DN']],
  ];
  for (const [kind, name, system, codes] of zones) {
    const { rooms, devices, deviceTypes } = house.project;
    const inZone = Object.values(devices).filter(
      ({ roomId, typeId }) => roomId !== null && codes.includes(rooms[roomId].code) && deviceTypes[typeId].system === system,
    );
    if (inZone.length === 0) continue;
    const groupId = house.id('group');
    house.apply([
      create('groups', { id: groupId, kind, name }),
      ...inZone.map(({ id }) => create('groupMembers', { id: house.id('member'), groupId, deviceId: id })),
    ]);
  }
}

/** Boxes and plates of the rooms that are settled; the others are still to be composed. */
function addPlates(house: HouseBuilder, codes: readonly string[]): void {
  for (const group of platesWanted(house.project)) {
    const { roomId } = house.project.devices[group[0]];
    if (roomId === null || !codes.includes(house.project.rooms[roomId].code)) continue;
    house.apply(must(composePlate(house.project, group, house.id('plate'))).operations);
  }
}

/** What the firm has in its store, and the sizes that its supplier has. */
function addSpools(house: HouseBuilder): void {
  const { cableTypes } = house.project;
  const stock = [
    ['S1', 'cat6_utp', 138, 'blue', 'opened on the last job'],
    ['S2', 'spk_16_2', 64, 'white', 'remainder'],
    ['S3', 'spk_14_2', 152, 'gray', 'unopened'],
  ] as const;
  house.apply([
    ...stock.map(([code, cableTypeId, lengthM, jacketColour, note]) =>
      create('spools', {
        ...{ id: house.id('spool'), code, cableTypeId, lengthM, jacketColour, note },
        ...{ make: '', isBoxed: code === 'S1', needsStand: code !== 'S1' },
      }),
    ),
    ...['cat6_utp', 'cat6a_utp', 'spk_14_2', 'spk_16_2', 'rg6'].flatMap((cableTypeId) =>
      (
        [
          ['Box', 305, 1],
          ['Small box', 152, 1.08],
          ['Spool', 76, 1.2],
        ] as const
      ).map(([name, lengthM, dearer]) =>
        create('spoolOffers', {
          ...{ id: house.id('offer'), cableTypeId, name, lengthM, supplier: 'Wharf Street Supplies', leadDays: 4 },
          priceCents: Math.round(cableTypes[cableTypeId].pricePerM * lengthM * dearer * 100),
        }),
      ),
    ),
  ]);
}

/** Prices, tasks, options and dates of the order stage, and the scope as the client signed it. */
function addOffer(house: HouseBuilder): void {
  const priced = [
    ['Ceiling speaker', 11_900, 'Wharf Street Supplies', 'WS-CS6'],
    ['Ceiling speaker', 12_400, 'Marsh Trade', 'CS-160'],
    ['Display', 64_900, 'Marsh Trade', 'D55'],
    ['Access point', 13_800, 'Wharf Street Supplies', 'WS-AP'],
    ['Keypad', 9400, 'Wharf Street Supplies', 'WS-KP2'],
    ['One gang', 180, 'Wharf Street Supplies', 'WS-B1'],
    ['Nail plates, at each face', 45, 'Wharf Street Supplies', 'WS-NP'],
    ['Label, one at each end', 12, 'Wharf Street Supplies', 'WS-L'],
  ] as const;
  const year = { validFrom: '2026-10-01', validTo: '2027-12-31' };
  const [front] = Object.values(house.project.rooms).filter(({ code }) => code === 'SC');
  const noChoice = { choices: [], chosenBy: null, fromOn: '', toOn: '', doneOn: '', note: '' };
  house.apply([
    ...priced.map(([item, priceCents, supplier, partNumber]) =>
      create('prices', {
        ...{ id: house.id('price'), item, priceCents, supplier, partNumber, taxPercent: null, leadDays: 6, ...year },
      }),
    ),
    create('siteTasks', {
      ...{ id: house.id('task'), name: 'Dedicated circuits for the rack', kind: 'work', roomId: null, gate: 'mains-rough-in' },
      ...{ hours: 0, costCents: 0, ...noChoice, chosenBy: 'electrician' },
      choices: [
        { by: 'electrician', priceCents: 84_000, days: 1, risk: 'low', note: '' },
        { by: 'remote-planner', priceCents: 61_000, days: 2, risk: 'medium', note: 'With the electrician of the village' },
      ],
    }),
    create('siteTasks', {
      ...{ id: house.id('task'), name: 'Lift for the oak ceiling', kind: 'hire', roomId: front.id, gate: 'low-voltage-rough-in' },
      ...{ hours: 0, costCents: 28_000, ...noChoice, fromOn: '2027-01-11', toOn: '2027-01-13' },
    }),
    create('siteTasks', {
      ...{ id: house.id('task'), name: 'Unknown behind the stone', kind: 'unknown', roomId: null, gate: null },
      ...{ hours: 6, costCents: 15_000, ...noChoice },
    }),
    ...(
      [
        ['Without shades', ['shade'], 'Shades later; their cables are not pulled.'],
        ['Without audio in other rooms', ['sound'], 'Pictures, network and security only.'],
      ] as const
    ).map(([name, withoutSystems, note], order) =>
      create('offerOptions', {
        ...{ id: house.id('option'), order, name, note, withoutSystems: [...withoutSystems] },
        ...{ withoutRoomIds: [], withoutPhaseIds: [], swaps: [] },
      }),
    ),
    create('permits', {
      ...{ id: house.id('permit'), name: 'Low-voltage permit', authority: 'Creek district building office', number: 'LV-0412' },
      ...{ gate: 'low-voltage-rough-in', leadDays: 15, appliedOn: '2026-11-16', grantedOn: '', inspectedOn: '' },
      ...{ inspector: '', result: 'open', note: '' },
    }),
    create('permits', {
      ...{ id: house.id('permit'), name: 'Consent for a dish on the gable', authority: 'Heritage office', number: '' },
      ...{ gate: 'trim-out', leadDays: 40, appliedOn: '', grantedOn: '', inspectedOn: '' },
      ...{ inspector: '', result: 'open', note: 'The granary is listed: nothing is fixed to the gable before.' },
    }),
    create('rateCards', {
      ...{ id: house.id('rate'), name: 'Reedmace Builders', kind: 'builder', labourRate: 58, marginPercent: 22 },
      ...{ outletPrice: 95, windowPrice: 120 },
    }),
    create('roomDates', { id: house.id('day'), roomId: front.id, gate: 'insulation', from: '', on: '2027-01-29' }),
  ]);
  const { project } = house;
  house.apply([updateProject(project.project, { priceSettings: { ...project.project.priceSettings, taxPercent: 20 } })!]);
}
