import {
  create,
  type DeviceType,
  newFeature,
  type ProjectDocument,
  THEATRE_DEFAULTS,
  type SurroundChannel,
  type TheatreAim,
  update,
} from '../model/index.ts';
import { smallHouse } from './houses.ts';
import type { Planted } from './planted.ts';
import { applied, countedIds, withDevices } from './steps.ts';

interface Parts {
  readonly speakers?: readonly (readonly [channel: SurroundChannel, x: number, heightM?: number])[];
  /** What is looked at on the north wall: its place and height; a screen where it says so. */
  readonly picture?: { readonly x?: number; readonly heightM?: number; readonly isScreen?: boolean };
  readonly seats?: readonly (readonly [x: number, y: number, bottomM?: number])[];
  readonly projector?: { readonly y: number; readonly heightM?: number; readonly x?: number };
  readonly aim?: Partial<TheatreAim>;
}

/** A projector that fills the screen of the library within the small room. */
const SHORT_LENS: NonNullable<DeviceType['lens']> = {
  ...{ throwMin: 1, throwMax: 1.25, shiftUp: 0.6, shiftAside: 0.25, lumens: 2200 },
  ...{ shiftShape: 'diamond', isUltraShort: false },
};

/** Room AA as a theatre: 4.98 by 3.98 m from face to face, the picture in the middle of its bays on the north wall, chairs that face it. */
export function smallTheatre({ speakers = [], picture = {}, seats = [[2.6, 1.2]], projector, aim = {} }: Parts): ProjectDocument {
  const { x = 2.6, heightM = 1.2, isScreen = false } = picture;
  const small = smallHouse();
  const projectorType = small.deviceTypes.projector;
  const house = { ...small, deviceTypes: { ...small.deviceTypes, projector: { ...projectorType, lens: SHORT_LENS } } };
  const { project, devices } = withDevices(
    house,
    [
      isScreen ? { typeId: 'screen', at: [x, 4.04] } : { typeId: 'display', at: [x, 4.04], heightM },
      ...speakers.map(([, at, high]) => ({
        typeId: 'wall-speaker',
        at: [at, 4.04] as [number, number],
        ...(high === undefined ? {} : { heightM: high }),
      })),
      ...(projector
        ? [
            {
              typeId: 'projector',
              at: [projector.x ?? x, projector.y] as [number, number],
              ...(projector.heightM === undefined ? {} : { heightM: projector.heightM }),
            },
          ]
        : []),
    ],
    countedIds(),
  );
  return applied(project, [
    ...speakers.flatMap(([channel], n) => update('devices', devices[n + 1], { channel }) ?? []),
    ...seats.map(([sx, sy, bottomM = 0], n) =>
      create(
        'features',
        newFeature({
          ...{ id: `seat${n}`, levelId: 'm', kind: 'chair', points: [[sx, sy]] },
          ...{ widthM: 0.8, depthM: 0.9, bottomM, topM: bottomM + 0.95 },
        }),
      ),
    ),
    create('theatres', { ...THEATRE_DEFAULTS, id: 'theatre', roomId: 'a', ...aim }),
  ]);
}

const front = (x: number, heightM?: number) => smallTheatre({ speakers: [['front-left', x, heightM]], aim: { layout: '5.1' } });
const pair = (right: number) =>
  smallTheatre({
    speakers: [
      ['front-left', 1],
      ['front-right', right],
    ],
    aim: { layout: '5.1' },
  });
const row = (bottomM: number) =>
  smallTheatre({
    picture: { heightM: 1.56 },
    seats: [
      [1.7, 2.3],
      [1.7, 0.9, bottomM],
    ],
  });
/** A sideboard of a height under the picture. */
const withSideboard = (topM: number): ProjectDocument =>
  applied(smallTheatre({}), [
    create(
      'features',
      newFeature({
        ...{ id: 'sideboard', levelId: 'm', kind: 'cabinet', points: [[2.6, 3.8]] },
        ...{ widthM: 1.4, depthM: 0.4, bottomM: 0, topM },
      }),
    ),
  ]);
/** A speaker on a bracket behind panels that stand so far off the wall. */
function panelled(standOffM: number): ProjectDocument {
  const built = smallTheatre({
    speakers: [['front-left', 1.4]],
    aim: { layout: '5.1', frontWall: 'panels', standOffM, panelKgM2: 4 },
  });
  const speaker = Object.values(built.devices).find(({ channel }) => channel === 'front-left')!;
  return applied(built, [update('devices', speaker, { typeId: 'surface-speaker' })!]);
}
/** A left front speaker that stands on the floor, so far from the west. */
function onFloor(x: number): ProjectDocument {
  const built = smallTheatre({ aim: { layout: '5.1' } });
  const { project, devices } = withDevices(built, [{ typeId: 'stand-speaker', at: [x, 3.7] }], countedIds('floor'));
  return applied(project, [update('devices', devices[0], { channel: 'front-left' })!]);
}
const projected = (y: number, heightM: number | undefined, aim: Partial<TheatreAim> = {}) =>
  smallTheatre({ picture: { isScreen: true }, projector: { y, heightM }, aim });
/** Degrees of a lead by a length, with the wall's face 4.04 m and the seat 1.2 m from the south. */
const degrees = (over: number, along: number) => (Math.atan2(over, along) * 180) / Math.PI;

/** Theatres with one mistake each, and their twins without. */
export const PLANTED_THEATRES: readonly Planted[] = [
  {
    rule: 'channel-angles',
    // 2.0 m aside and 2.84 m ahead.
    mistake: () => front(0.6),
    clean: () => front(1.4),
    code: 'channel-beyond-window',
    about: 'devices',
    figures: [degrees(2, 2.84), 30, 0.01],
    cured: false,
  },
  {
    rule: 'channel-elevations',
    // 1 m over the ear, 1.2 m aside and 2.84 m ahead.
    mistake: () => front(1.4, 2),
    clean: () => front(1.4),
    code: 'channel-too-high',
    about: 'devices',
    figures: [degrees(1, Math.hypot(1.2, 2.84)), 10, 0.01],
    cured: false,
  },
  {
    rule: 'speakers-in-sight',
    mistake: () => smallTheatre({ speakers: [['center', 2.6, 1.2]], aim: { layout: '5.1' } }),
    clean: () => smallTheatre({ speakers: [['center', 2.6, 0.55]], aim: { layout: '5.1' } }),
    code: 'speaker-behind-picture',
    about: 'devices',
    figures: [1, 0],
    cured: false,
  },
  {
    rule: 'pairs-even',
    mistake: () => pair(4.6),
    clean: () => pair(4.2),
    code: 'pair-not-even',
    about: 'devices',
    figures: [0.4, 0.1, 1e-6],
    cured: true,
  },
  {
    rule: 'seats-off-nodes',
    // Half way between the faces of the north and the south wall.
    mistake: () => smallTheatre({ seats: [[1.7, 2.05]] }),
    clean: () => smallTheatre({ seats: [[1.7, 1.6]] }),
    code: 'seat-on-node-along',
    about: 'features',
    figures: [50, 50, 1e-6],
    cured: false,
  },
  {
    rule: 'rows-see',
    mistake: () => row(0),
    clean: () => row(0.19),
    code: 'row-clears-little',
    about: 'features',
    cured: true,
  },
  {
    rule: 'rows-apart',
    // Rows 1.20 m apart, the last one 1.14 m before the face of the wall behind it.
    mistake: () =>
      smallTheatre({
        seats: [
          [1.7, 2.4],
          [1.7, 1.2],
        ],
      }),
    clean: () =>
      smallTheatre({
        seats: [
          [1.7, 2.85],
          [1.7, 1.2],
        ],
      }),
    code: 'row-pitch-short',
    about: 'features',
    figures: [1.2, 1.65, 1e-9],
    cured: false,
  },
  {
    rule: 'riser-access',
    mistake: () =>
      smallTheatre({
        seats: [
          [1.7, 2.3],
          [1.7, 0.9, 0.4],
        ],
      }),
    clean: () =>
      smallTheatre({
        seats: [
          [1.7, 2.3],
          [1.7, 0.9, 0.18],
        ],
      }),
    code: 'riser-no-steps',
    about: 'features',
    // Three equal rises of 133 mm.
    figures: [0.4, 0.4 / 3, 1e-9],
    cured: true,
  },
  {
    rule: 'screen-margins',
    // The display's frame is 1.45 m wide and the face of the west wall lies at 0.06 m.
    mistake: () => smallTheatre({ picture: { x: 0.85 } }),
    clean: () => smallTheatre({ picture: { x: 2.6 } }),
    code: 'screen-side-margin',
    about: 'devices',
    figures: [0.065, 0.1, 1e-6],
    cured: true,
  },
  {
    rule: 'screen-margins',
    // The display is 0.83 m tall about 1.2 m; a sideboard of 0.95 m stands before its lower edge.
    mistake: () => withSideboard(0.95),
    clean: () => withSideboard(0.5),
    code: 'screen-behind-furniture',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'front-wall',
    // A speaker on a bracket, 0.21 m deep, behind panels 0.2 m off the wall.
    mistake: () => panelled(0.2),
    clean: () => panelled(0.3),
    code: 'front-panel-shallow',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'front-wall',
    // Five panels of 0.996 by 2.5 m.
    mistake: () => smallTheatre({ aim: { frontWall: 'panels', panelKgM2: 8 } }),
    clean: () => smallTheatre({ aim: { frontWall: 'panels', panelKgM2: 4 } }),
    code: 'front-panel-heavy',
    about: 'devices',
    figures: [0.996 * 2.5 * 8, 12, 1e-6],
    cured: false,
  },
  {
    rule: 'front-wall',
    // The display is 1.43 m wide about 2.6 m: its edge is at 1.885 m.
    mistake: () => onFloor(2),
    clean: () => onFloor(1.7),
    code: 'front-lead-behind-picture',
    about: 'devices',
    figures: [-0.115, 0.05, 1e-6],
    cured: true,
  },
  {
    rule: 'projector-fixed',
    // Joists lie along the room 0.4 m apart from its origin: 1.23 m is 30 mm beside one, 1.2 m in its middle.
    mistake: () => projected(1.23, 2.2),
    clean: () => projected(1.2, 2.2),
    code: 'projector-half-on-joist',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'surrounds-direct',
    mistake: () => smallTheatre({ aim: { layout: '5.1.2', surroundKind: 'wide' } }),
    clean: () => smallTheatre({ aim: { layout: '5.1.2', surroundKind: 'wide', surroundReason: 'The side walls are glass.' } }),
    code: 'surrounds-wide-with-tops',
    about: 'rooms',
    cured: false,
  },
  {
    rule: 'picture-height',
    mistake: () => smallTheatre({ picture: { heightM: 2 } }),
    clean: () => smallTheatre({}),
    code: 'picture-high',
    about: 'devices',
    // The display stands 80 mm out from its wall.
    figures: [degrees(0.93, 2.76), 15, 0.01],
    cured: true,
  },
  {
    rule: 'projector-throw',
    // 2.78 m wide: from 2.78 to 3.475 m; the screen's case is 0.14 m deep, the lens 0.21 m before the middle of its own.
    mistake: () => projected(0.15, 2.2),
    clean: () => projected(0.8, 2.2),
    code: 'throw-too-long',
    about: 'devices',
    figures: [4.04 - 0.14 - 0.15 - 0.21, 2.78 * 1.25, 0.001],
    cured: true,
  },
  {
    rule: 'lens-shift',
    // The middle of the picture is 1.318 m high, the picture 1.564 m: 2.3 m is 0.628 of it up, of 0.6.
    mistake: () => projected(0.8, undefined),
    clean: () => projected(0.8, 2.2),
    code: 'lens-shift-over',
    about: 'devices',
    figures: [(100 * (2.3 - (2.2 - 0.1 - 1.5637 / 2))) / 1.56375 / 0.6, 100, 0.1],
    cured: true,
  },
  {
    rule: 'picture-bright',
    // 2200 lm, 0.6 of it left, 0.88 of that by a screen with holes, over 4.347 m2 of pi.
    mistake: () => projected(0.8, 2.2, { wantedCdM2: 100 }),
    clean: () => projected(0.8, 2.2),
    code: 'picture-dim',
    about: 'devices',
    figures: [(2200 * 0.6 * 0.88) / (Math.PI * 2.78 * 1.5637), 100, 0.01],
    cured: false,
  },
];
