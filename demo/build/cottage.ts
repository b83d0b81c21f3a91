import { pairSpeakers, rackPlace, setHeadEndRule } from '../../core/devices/index.ts';
import { newHeader, type ProjectDocument, type SystemName, update } from '../../core/model/index.ts';
import type { Point2 } from '../../core/math/index.ts';
import { curesFor, runChecks } from '../../core/rules/index.ts';
import { DRAWN_ON, HouseBuilder, must, type RoomPlan, sayWhyNoConduit } from './house-builder.ts';

const BRICK_LINED = { kind: 'closed', thicknessM: 0.3, cavityDepthM: 0.055, cableMayRun: true } as const;
const CLOSED = { kind: 'closed', thicknessM: 0.11, cavityDepthM: 0.07, cableMayRun: true } as const;
const CHIMNEY = { kind: 'masonry', thicknessM: 0.35, cavityDepthM: 0, cableMayRun: false } as const;
const FOOT = 0.3048;

const box = (...feet: [number, number, number, number]) =>
  feet.map((value) => Math.round(value * FOOT * 1e4) / 1e4) as unknown as RoomPlan['box'];

const ROOMS: RoomPlan[] = [
  { code: 'LV', name: 'Living room', use: 'living', box: box(0, 12, 18, 28) },
  { code: 'KT', name: 'Kitchen', use: 'kitchen', box: box(18, 14, 32, 28) },
  { code: 'HL', name: 'Hall', use: 'circulation', box: box(10, 0, 18, 12), joistAngleRad: 0 },
  { code: 'BD', name: 'Bedroom', use: 'bedroom', box: box(18, 0, 32, 14) },
  { code: 'DN', name: 'Den', use: 'study', box: box(0, 0, 10, 12) },
];

/** A single-storey retrofit: finished walls, attic above, everything fished down from the top plates. Feet and inches. */
export function buildCottage(): ProjectDocument {
  const house = new HouseBuilder({
    ...newHeader('4TCW8', 'Tollgate Cottage', 'imperial'),
    sharedRoutes: false,
    roomDataCables: 2,
    description: 'Retrofit of a lived-in cottage: closed walls, cables from the attic, enclosure in the hall cupboard.',
    client: 'The tollgate household',
    address: '1 Causeway End',
    wasteFactor: 1.15,
    ambientC: 40,
  });
  const ground = house.level({ code: 'G', name: 'Ground', order: 0, elevationM: 0, ceilingHeightM: 8 * FOOT, cavityDepthM: 0.5 });
  house.rooms(ground, ROOMS, BRICK_LINED, CLOSED, { LV: CLOSED });
  const chimney = Object.values(house.project.walls).find((wall) => wall.a[0] === 0 && wall.b[0] === 0 && wall.b[1] > 5);
  if (chimney) house.apply([{ op: 'update', in: 'walls', id: chimney.id, before: {}, after: { ...CHIMNEY } }]);
  const at = (xFt: number, yFt: number): [number, number] => [xFt * FOOT, yFt * FOOT];
  house.rack({
    levelId: ground,
    code: 'A',
    name: 'Cupboard enclosure',
    kind: 'enclosure',
    x: 17.6 * FOOT,
    y: 9 * FOOT,
    facingRad: Math.PI,
    widthM: 0.38,
    depthM: 0.15,
    units: 20,
    entryHeightM: 2,
  });
  for (const [x, y] of [
    [14, 0],
    [18, 21],
    [18, 6],
    [10, 7],
    [13, 12],
  ] as const)
    house.opening(ground, 'door', at(x, y), 0.81, 0, 2.03);
  for (const [x, y] of [
    [8, 28],
    [25, 28],
    [32, 21],
    [32, 7],
    [5, 0],
  ] as const)
    house.opening(ground, 'window', at(x, y), 1.2, 0.9, 2.05);
  const devices: [string, number, number, string?][] = [
    ['ceiling-speaker', 5, 24, 'left'],
    ['ceiling-speaker', 13, 24, 'right'],
    ['display', 9, 12.3],
    ['network-drop', 15, 12.3],
    ['keypad', 17.8, 18],
    ['access-point', 14, 8],
    ['ceiling-speaker', 22, 22, 'left'],
    ['ceiling-speaker', 28, 22, 'right'],
    ['network-drop', 31.8, 12, 'bedside'],
    ['ceiling-speaker', 25, 7],
    ['shade', 31.8, 6.8, 'east window'],
    ['network-drop', 0.2, 4, 'desk'],
    ['camera', 14, -0.3, 'front path'],
    ['door-station', 11.6, -0.3],
    ['thermostat', 10.2, 10.4],
    ['motion-sensor', 17.8, 1.2],
  ];
  addSecurityPanel(house, ground, at(10.6, 4));
  const placed = devices.map(([type, x, y, name]) => house.device(ground, type, at(x, y), name));
  // The pair of the living room hangs on one four-conductor cable.
  house.apply(must(pairSpeakers(house.project, [placed[0], placed[1]])));
  house.makeBuildable();
  addExisting(house, ground, at, placed[2]);
  sayWhyNoConduit(house);
  for (const finding of runChecks(house.project, DRAWN_ON)) {
    if ((finding.rank === 'stop' || finding.code === 'conduits-missing') && curesFor(finding, house.project)[0])
      house.apply(curesFor(finding, house.project)[0].operations);
  }
  house.designHeadEnds();
  return house.finish();
}

/** What the cottage has already: an antenna lead that is re-used, a telephone cable that is not, a bracket that takes the display. */
function addExisting(house: HouseBuilder, ground: string, at: (x: number, y: number) => Point2, displayId: string): void {
  const outletId = house.device(ground, 'coax-outlet', at(6, 12.3), 'by the fire');
  house.thing(ground, 'existing-wiring', [at(6, 13), at(6, 20), at(16, 9)], {
    name: 'Antenna lead in the attic',
    contents: 'one RG6, good jacket',
    tested: 'measured',
    decision: 'reuse',
    bottomM: 2.5,
    topM: 2.52,
  });
  house.thing(ground, 'existing-wiring', [at(17, 3), at(17, 9)], {
    name: 'Telephone cable',
    contents: 'two pairs, cut at the porch',
    tested: 'not-known',
    decision: 'abandon',
    routeKnown: false,
  });
  house.thing(ground, 'existing-bracket', [at(9, 12.2)], {
    name: 'Bracket over the mantel',
    condition: 'sound',
    substrate: 'stud',
    decision: 'reuse',
    bottomM: 1.1,
    topM: 1.5,
  });
  const found = (name: string) => Object.values(house.project.features).find((feature) => feature.name === name)!.id;
  const [lead] = Object.values(house.project.runs).filter(({ deviceId }) => deviceId === outletId);
  const display = house.project.devices[displayId];
  house.apply(
    [
      update('runs', lead, { foundId: found('Antenna lead in the attic') }),
      update('devices', display, { foundId: found('Bracket over the mantel') }),
    ].filter((operation) => operation !== null),
  );
}

/** Zone wiring ends at its own panel in the hall, everything else in the rack. */
function addSecurityPanel(house: HouseBuilder, ground: string, at: Point2): void {
  house.rack({
    levelId: ground,
    code: 'S',
    name: 'Security panel',
    kind: 'security-panel',
    ...rackPlace(house.project, ground, at, { widthM: 0.35, depthM: 0.1 }),
    units: 1,
    entryHeightM: 1.7,
  });
  const rackId = (code: string) => Object.values(house.project.racks).find((rack) => rack.code === code)!.id;
  const rules = { sound: 'A', picture: 'A', data: 'A', control: 'A', shade: 'A', guard: 'A' } as const;
  for (const [system, code] of Object.entries(rules) as [SystemName, string][])
    house.apply(setHeadEndRule(house.project, { family: '', system }, rackId(code), house.id('he')).operations);
  for (const family of ['sec_2', 'sec_4'])
    house.apply(setHeadEndRule(house.project, { family, system: null }, rackId('S'), house.id('he')).operations);
}
