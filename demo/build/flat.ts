import { curesFor, runChecks } from '../../core/rules/index.ts';
import type { Point2 } from '../../core/math/index.ts';
import { create, newHeader, type ProjectDocument, type Room, THEATRE_DEFAULTS, update } from '../../core/model/index.ts';
import { answerFact } from '../../core/house/index.ts';
import { drawWalls, WALL_BUILDS } from '../../core/survey/index.ts';
import { DRAWN_ON, HouseBuilder, must, sayWhyNoConduit } from './house-builder.ts';

/** What each room of the flat is, found by a point in it. */
const ROOMS: readonly {
  at: Point2;
  code: string;
  name: string;
  use: string;
  framing: Room['framing'];
  ceilingHeightM: number | null;
}[] = [
  { at: [2, 6], code: 'LV', name: 'Living room', use: 'living', framing: 'slab', ceilingHeightM: null },
  { at: [2, 1.5], code: 'BD', name: 'Bedroom', use: 'bedroom', framing: 'slab', ceilingHeightM: null },
  { at: [5.5, 3.8], code: 'HL', name: 'Hall', use: 'circulation', framing: 'dropped', ceilingHeightM: 2.35 },
  { at: [9, 6.5], code: 'KT', name: 'Kitchen', use: 'kitchen', framing: 'dropped', ceilingHeightM: 2.4 },
  { at: [9, 1.5], code: 'ST', name: 'Study', use: 'study', framing: 'slab', ceilingHeightM: null },
  { at: [5.5, 6.5], code: 'DR', name: 'Dressing room', use: 'dressing', framing: 'dropped', ceilingHeightM: 2.4 },
  { at: [5.5, 1], code: 'BA', name: 'Bath', use: 'bath', framing: 'dropped', ceilingHeightM: 2.3 },
];

const OUTSIDE: Point2[] = [
  [0, 0],
  [11, 0],
  [11, 8],
  [0, 8],
  [0, 0],
];
const INSIDE: readonly Point2[][] = [
  [
    [0, 3],
    [11, 3],
  ],
  [
    [4, 0],
    [4, 8],
  ],
  [
    [7, 0],
    [7, 8],
  ],
  [
    [4, 4.6],
    [7, 4.6],
  ],
];

/**
 * A retrofit in a lived-in flat: concrete floors above and below, closed and finished walls, what is there already, and what
 * nobody knows yet. Drawn with the same tools as a person has.
 */
export function buildFlat(): ProjectDocument {
  const house = new HouseBuilder({
    ...newHeader('R0PWK', 'Ropewalk Flat', 'metric'),
    sharedRoutes: false,
    roomDataCables: 2,
    description:
      'Retrofit of a lived-in flat between concrete slabs: closed walls, dropped ceilings in hall, kitchen and bath only.',
    client: 'The ropewalk household',
    address: '3 Ropewalk, second floor',
    wasteFactor: 1.15,
    construction: 'retrofit',
  });
  const level = house.level({
    code: 'F',
    name: 'Flat',
    order: 0,
    elevationM: 0,
    ceilingHeightM: 2.58,
    cavityDepthM: 0.22,
    floorBuildUpM: 0.015,
    benchmarkM: 1,
  });
  const newId = (kind: string) => house.id(kind);
  const walls = (chain: readonly Point2[], kind: 'concrete' | 'closed', thicknessM: number) =>
    house.apply(must(drawWalls(house.project, level, chain, { ...WALL_BUILDS[kind], thicknessM }, newId)));
  walls(OUTSIDE, 'concrete', 0.24);
  for (const chain of INSIDE) walls(chain, 'closed', 0.115);
  for (const { at, ...facts } of ROOMS) {
    const room = Object.values(house.project.rooms).find(({ polygon }) => inBox(polygon, at))!;
    const change = update('rooms', room, {
      ...facts,
      ceilingKind: facts.framing === 'slab' ? 'concrete' : 'dropped',
      joistSpacingM: 0.5,
    });
    if (change) house.apply([change]);
  }
  for (const at of [
    [4, 5.6],
    [7, 5.6],
    [2.5, 3],
    [9.5, 3],
    [5.5, 3],
  ] as const)
    house.opening(level, 'door', at, 0.83, 0, 2.03);
  for (const at of [
    [2, 8],
    [9, 8],
    [0, 1.5],
    [11, 1.5],
  ] as const)
    house.opening(level, 'window', at, 1.3, 0.85, 2.1);
  house.rack({
    levelId: level,
    code: 'A',
    name: 'Hall enclosure',
    kind: 'enclosure',
    x: 5.2,
    y: 4.5,
    facingRad: -Math.PI / 2,
    widthM: 0.4,
    depthM: 0.15,
    units: 9,
    entryHeightM: 2,
  });
  addThings(house, level);
  for (const [type, x, y, name] of [
    ['network-drop', 3.9, 5, 'behind the sofa'],
    ['display', 3.9, 6.8, ''],
    ['network-drop', 7.1, 2.2, 'desk'],
    ['access-point', 5.6, 3.7, ''],
    ['keypad', 4.1, 3.6, ''],
    ['thermostat', 6.9, 3.7, ''],
    ['ceiling-speaker', 8.2, 6.2, 'left'],
    ['ceiling-speaker', 9.9, 6.2, 'right'],
    ['touch-panel', 7.1, 7.2, ''],
  ] as const)
    house.device(level, type, [x, y], name);
  // A keypad for the bench light at each place where the model maker's workbench may stand.
  for (const bench of Object.values(house.project.features).filter(({ choiceOf }) => choiceOf === 'Workbench')) {
    const keypad = house.device(
      level,
      'keypad',
      [bench.chosen ? 0.5 : 3.6, 2.98],
      bench.chosen ? 'bench light' : 'bench light, inner corner',
      1.1,
    );
    house.apply([update('devices', house.project.devices[keypad], { belongsTo: bench.id })].flatMap((one) => one ?? []));
  }
  // The living room is looked at and listened to, where nothing is ideal.
  const living = Object.values(house.project.rooms).find(({ code }) => code === 'LV')!;
  // Two ways to sit: the sofa for films, two stools farther back for games.
  const stools = [6.2, 7.2].map((y) =>
    house.thing(level, 'chair', [[0.7, y]], {
      name: 'Stool',
      widthM: 0.45,
      depthM: 0.45,
      topM: 0.7,
      facingRad: -Math.PI / 2,
      chosen: false,
    }),
  );
  const sofas = Object.values(house.project.features).filter(({ kind, chosen }) => kind === 'sofa' && chosen);
  house.apply([
    create('theatres', {
      ...THEATRE_DEFAULTS,
      ...{ id: house.id('theatre'), roomId: living.id, layout: '5.1' },
      modes: [
        { name: 'Films', featureIds: sofas.map(({ id }) => id) },
        { name: 'Games', featureIds: stools },
      ],
    }),
  ]);
  measured(house, level);
  const stops = runChecks(house.project, DRAWN_ON).filter((finding) => finding.rank === 'stop');
  for (const finding of stops) {
    const [cure] = curesFor(finding, house.project);
    if (cure) house.apply(cure.operations);
  }
  sayWhyNoConduit(house);
  house.designHeadEnds();
  return house.finish();
}

function inBox(polygon: Room['polygon'], [x, y]: Point2): boolean {
  const xs = polygon.map((p) => p[0]);
  const ys = polygon.map((p) => p[1]);
  return x > Math.min(...xs) && x < Math.max(...xs) && y > Math.min(...ys) && y < Math.max(...ys);
}

type Rest<T> = T extends [unknown, ...infer R] ? R : never;

function addThings(house: HouseBuilder, levelId: string): void {
  const thing = (...given: Rest<Parameters<HouseBuilder['thing']>>) => house.thing(levelId, ...given);
  thing('service-panel', [[6.4, 3.12]], { name: 'Consumer unit', contents: 'feeds the whole flat' });
  thing('service-entry', [[6.85, 4.4]], { name: 'Fibre from the stair', contents: 'fibre, owned by the building' });
  thing(
    'mains-route',
    [
      [6.4, 3.12],
      [6.4, 3.9],
      [4.2, 3.9],
    ],
    { name: 'Feed in the dropped ceiling', bottomM: 2.4, topM: 2.42 },
  );
  thing('supply-vent', [[8.9, 4.9]], { bottomM: 2.36, topM: 2.4 });
  thing('recessed-light', [[9, 6.2]], { bottomM: 2.3, topM: 2.4 });
  thing(
    'existing-wiring',
    [
      [3.9, 5.2],
      [3.9, 4.2],
      [5.2, 4.2],
    ],
    { name: 'Old coax', contents: 'coax, age unknown', tested: 'not-known', decision: 'abandon' },
  );
  thing(
    'existing-wiring',
    [
      [7.1, 1.8],
      [7.1, 3.4],
    ],
    { name: 'Telephone pair', contents: '2 x 0.6 mm', tested: 'measured', decision: 'keep' },
  );
  thing('existing-box', [[3.93, 5.2]], { decision: 'reuse', contents: 'one gang', condition: 'sound' });
  thing('existing-switch-box', [[4.07, 5.1]], { decision: 'keep', neutral: 'absent', partners: 'switch at the front door' });
  thing('existing-bracket', [[3.9, 6.8]], { decision: 'make-good', condition: 'weak', substrate: 'hollow-block' });
  thing(
    'surface-channel',
    [
      [0.12, 3.1],
      [0.12, 7.8],
    ],
    { name: 'Channel on the skirting', bottomM: 0.1, topM: 0.14, insideDiameterM: 0.03 },
  );
  thing('sofa', [[2.4, 6.6]], { choiceOf: 'Sofa', chosen: true, facingRad: -Math.PI / 2 });
  thing('sofa', [[1.2, 5.2]], { choiceOf: 'Sofa', chosen: false, name: 'Sofa, by the window' });
  thing('desk', [[0.9, 2.5]], { choiceOf: 'Workbench', chosen: true, facingRad: -Math.PI / 2, name: 'Workbench' });
  thing('desk', [[3.0, 2.5]], { choiceOf: 'Workbench', chosen: false, facingRad: -Math.PI / 2, name: 'Workbench, inner corner' });
  thing('trade-mark', [[8, 3.06]], { name: 'Double socket', owner: 'Electrician', decision: 'open' });
  thing('trade-mark', [[7.16, 2.6]], {
    name: 'Socket by the desk',
    owner: 'Electrician',
    decision: 'move',
    markedAt: [7.16, 2.2],
    note: 'Clear of the network drop',
  });
}

/** What the first visit brought: some values are measured, one could not be known. */
function measured(house: HouseBuilder, levelId: string): void {
  const say = (subject: 'levels' | 'rooms' | 'walls', subjectId: string, field: string, state: 'measured' | 'not-known') =>
    house.apply(
      must(
        answerFact(
          house.project,
          { subject, subjectId, field },
          { state, by: 'Demo planner', on: '2026-11-20' },
          house.id('fact'),
        ),
      ),
    );
  say('levels', levelId, 'ceilingHeightM', 'measured');
  say('levels', levelId, 'floorBuildUpM', 'measured');
  for (const room of Object.values(house.project.rooms))
    if (room.framing === 'dropped') say('rooms', room.id, 'ceilingHeightM', 'measured');
  const closed = Object.values(house.project.walls).filter((wall) => wall.kind === 'closed');
  if (closed[0]) say('walls', closed[0].id, 'cavityDepthM', 'not-known');
}
