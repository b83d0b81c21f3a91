import type { Device, Level, Opening, Rack, Riser, Room, Run, Underlay, Wall } from './records.ts';
import type { Feature } from './survey-records.ts';

/** Fields that a record has unless somebody says otherwise. They are assumptions until measured. */
export const LEVEL_DEFAULTS = {
  floorBuildUpM: 0,
  benchmarkM: null,
  defaults: { framing: 'solid', joistAngleRad: 0, joistSpacingM: 0.4, joistDepthM: 0.235, wall: null },
} as const;
export const ROOM_DEFAULTS = {
  use: '',
  ceilingHeightM: null,
  framing: 'solid',
  joistAngleRad: 0,
  joistSpacingM: 0.4,
  joistDepthM: 0.235,
  joistOffsetM: 0,
  floorM: 0,
  ceilingKind: 'flat',
  slope: null,
} as const;
export const WALL_BUILD_DEFAULTS = {
  heightM: null,
  studMaterial: 'wood',
  studSpacingM: 0.4,
  studOffsetM: 0,
  studWidthM: 0.045,
  topPlates: 2,
  finishLeft: '',
  finishLeftM: 0.0125,
  finishRight: '',
  finishRightM: 0.0125,
} as const;
export const WALL_DEFAULTS = { ...WALL_BUILD_DEFAULTS, substrate: null } as const;
export const OPENING_DEFAULTS = {
  hinge: null,
  swing: null,
  casingWidthM: 0.07,
  casingDepthM: 0,
  pocket: false,
  hardware: '',
} as const;
export const RISER_DEFAULTS = { contents: '' } as const;
export const RACK_DEFAULTS = { closet: null, kind: 'rack', entry: 'wall', slackStyle: 'to-unit' } as const;
export const UNDERLAY_DEFAULTS = { crop: null, locked: false, retired: false, drawingCorner: null, mirrored: false } as const;
export const DEVICE_DEFAULTS = {
  name: '',
  heightM: null,
  belongsTo: null,
  fitting: 'fitted',
  phaseId: null,
  mountTypeId: null,
  finish: '',
  wishes: [],
  seenFrom: '',
  tailM: null,
  leftOut: [],
  protects: [],
  attitude: 'upright',
  areaId: null,
  decisionId: null,
  foundId: null,
  channel: null,
  outlet: null,
  note: '',
} as const;
export const RUN_DEFAULTS = {
  toDeviceId: null,
  purpose: '',
  deviceConnector: '',
  farConnector: '',
  mapId: null,
  state: 'drafted',
  bundle: '',
  slackStyle: null,
  printedOn: '',
  printedAs: '',
  reason: '',
  price: null,
  foundId: null,
  stored: false,
  labelledEnds: 'none',
  rawTestedOn: '',
  endTestedOn: '',
  testedBy: '',
  endsBaggedOn: '',
  wrappedOn: '',
  floorMark: '',
  note: '',
} as const;
const FEATURE_DEFAULTS = {
  name: '',
  area: false,
  widthM: 0,
  depthM: 0,
  facingRad: 0,
  bottomM: 0,
  topM: 0,
  edge: 'lower',
  clearanceM: 0,
  pitchRad: null,
  insideDiameterM: null,
  circuits: 1,
  reserved: false,
  contents: '',
  topLevelId: null,
  tested: null,
  routeKnown: true,
  decision: null,
  owner: '',
  choiceOf: '',
  chosen: true,
  markedAt: null,
  substrate: null,
  condition: null,
  neutral: null,
  boreLeave: '',
  partners: '',
  note: '',
} as const;

/** Kinds of wall without studs. */
const NO_STUDS = new Set(['masonry', 'concrete', 'glazed']);
const studless = { studMaterial: 'none', studSpacingM: 0, studWidthM: 0, topPlates: 0 } as const;

type Given<R, D> = Omit<R, keyof D> & Partial<R>;

export const newLevel = (given: Given<Level, typeof LEVEL_DEFAULTS>): Level => ({ ...LEVEL_DEFAULTS, ...given });
export const newRoom = (given: Given<Room, typeof ROOM_DEFAULTS>): Room => ({ ...ROOM_DEFAULTS, ...given });
export const newWall = (given: Given<Wall, typeof WALL_DEFAULTS>): Wall => ({
  ...WALL_DEFAULTS,
  ...(NO_STUDS.has(given.kind) ? studless : {}),
  ...given,
});
export const newOpening = (given: Given<Opening, typeof OPENING_DEFAULTS>): Opening => ({ ...OPENING_DEFAULTS, ...given });
export const newRiser = (given: Given<Riser, typeof RISER_DEFAULTS>): Riser => ({ ...RISER_DEFAULTS, ...given });
export const newRack = (given: Given<Rack, typeof RACK_DEFAULTS>): Rack => ({ ...RACK_DEFAULTS, ...given });
export const newUnderlay = (given: Given<Underlay, typeof UNDERLAY_DEFAULTS & { metresPerPixelY: number }>): Underlay => ({
  ...UNDERLAY_DEFAULTS,
  metresPerPixelY: given.metresPerPixel,
  ...given,
});
export const newFeature = (given: Given<Feature, typeof FEATURE_DEFAULTS>): Feature => ({ ...FEATURE_DEFAULTS, ...given });
export const newDevice = (given: Given<Device, typeof DEVICE_DEFAULTS>): Device => ({
  ...DEVICE_DEFAULTS,
  ...given,
  wishes: [...(given.wishes ?? DEVICE_DEFAULTS.wishes)],
  leftOut: [...(given.leftOut ?? DEVICE_DEFAULTS.leftOut)],
  protects: [...(given.protects ?? DEVICE_DEFAULTS.protects)],
});
/** A run is a leg of its type's recipe unless it says otherwise. */
export const newRun = ({ recipeLeg, ...given }: Given<Run, typeof RUN_DEFAULTS & { recipeLeg: Run['recipeLeg'] }>): Run => ({
  ...RUN_DEFAULTS,
  recipeLeg: recipeLeg === undefined ? given.leg : recipeLeg,
  ...given,
});
