import type { CableType, DeviceType, SystemName } from '../project/index.ts';

/** One row of the table of typical cables (ENGINEERING 1.2): defaults, editable in each project; mm and N. */
type CableRow = [
  id: string,
  name: string,
  system: SystemName,
  conductors: number,
  gaugeAwg: number | null,
  stranded: boolean,
  diameterMm: number,
  bendMm: number,
  pullN: number,
  family: string,
];

const CABLE_ROWS: readonly CableRow[] = [
  ['spk_16_2', 'Speaker 16/2', 'sound', 2, 16, true, 7.2, 36, 130, 'spk_2'],
  ['spk_14_2', 'Speaker 14/2', 'sound', 2, 14, true, 8.4, 42, 205, 'spk_2'],
  ['spk_12_2', 'Speaker 12/2', 'sound', 2, 12, true, 10.2, 51, 330, 'spk_2'],
  ['spk_16_4', 'Speaker 16/4', 'sound', 4, 16, true, 8.6, 43, 260, 'spk_4'],
  ['spk_14_4', 'Speaker 14/4', 'sound', 4, 14, true, 10.2, 51, 415, 'spk_4'],
  ['cat6_utp', 'Category 6', 'data', 8, 23, false, 6.1, 25, 110, 'cat'],
  ['cat6a_utp', 'Category 6A', 'data', 8, 23, false, 7.8, 32, 110, 'cat'],
  ['rg6', 'Coax RG6', 'coax', 1, 18, false, 6.9, 70, 155, 'coax'],
  ['ctl_18_2', 'Control 18/2', 'control', 2, 18, true, 5.6, 28, 80, 'ctl_2'],
  ['ctl_18_4', 'Control 18/4', 'control', 4, 18, true, 6.4, 32, 160, 'ctl_4'],
  ['sec_22_2', 'Sensor 22/2', 'guard', 2, 22, true, 3.6, 18, 32, 'sec_2'],
  ['sec_22_4', 'Sensor 22/4', 'guard', 4, 22, true, 4.3, 22, 65, 'sec_4'],
  ['led_16_6', 'Strip light 16/6', 'light', 6, 16, true, 10.4, 52, 390, 'led'],
  ['shade_16_2_22_2p', 'Shade 16/2 + data', 'shade', 4, 16, true, 8.6, 43, 130, 'shade'],
  ['hdmi_fibre', 'Optical picture lead', 'picture', 4, null, false, 4.8, 60, 90, 'hdmi'],
  ['fibre_2', 'Duplex fibre', 'data', 2, null, false, 4.0, 50, 220, 'fibre'],
];

/** The generic cables that a new project starts with. */
export const CABLE_TYPES: readonly CableType[] = CABLE_ROWS.map(
  ([id, name, system, conductors, gaugeAwg, stranded, diameterMm, bendMm, pullN, family]) => ({
    id,
    name,
    system,
    conductors,
    gaugeAwg,
    material: gaugeAwg === null ? 'fibre' : 'copper',
    stranded,
    outsideDiameterM: diameterMm / 1000,
    bendRadiusM: bendMm / 1000,
    pullN,
    family,
  }),
);

type Mount = DeviceType['mount'];
type Leg = [cableTypeId: string, purpose: string, slackM: number];
type Extra = Partial<Pick<DeviceType, 'impedanceOhm' | 'soundUse' | 'round'>>;

function deviceType(
  id: string,
  code: string,
  name: string,
  system: SystemName,
  mount: Mount,
  heightM: number | null,
  sizeMm: [number, number],
  legs: Leg[],
  extra: Extra = {},
): DeviceType {
  return {
    id,
    code,
    name,
    system,
    mount,
    defaultHeightM: heightM,
    sizeM: [sizeMm[0] / 1000, sizeMm[1] / 1000],
    round: extra.round ?? false,
    impedanceOhm: extra.impedanceOhm ?? null,
    soundUse: extra.soundUse ?? null,
    cables: legs.map(([cableTypeId, purpose, slackM]) => ({ cableTypeId, purpose, slackM })),
  };
}

/** Slack at the device follows the table of ENGINEERING 16.1; heights that of 8.1. Generic kinds, no makers. */
export const DEVICE_TYPES: readonly DeviceType[] = [
  deviceType('ceiling-speaker', 'CL', 'Ceiling speaker', 'sound', 'ceiling', null, [230, 230], [['spk_16_2', 'speaker', 0.8]], {
    impedanceOhm: 8,
    soundUse: 'distributed',
    round: true,
  }),
  deviceType(
    'theatre-ceiling-speaker',
    'CT',
    'Theatre ceiling speaker',
    'sound',
    'ceiling',
    null,
    [260, 260],
    [['spk_14_2', 'speaker', 0.8]],
    { impedanceOhm: 8, soundUse: 'theatre', round: true },
  ),
  deviceType('wall-speaker', 'WS', 'Wall speaker', 'sound', 'wall', 1.1, [220, 90], [['spk_14_2', 'speaker', 0.8]], {
    impedanceOhm: 8,
    soundUse: 'theatre',
  }),
  deviceType('terrace-speaker', 'OS', 'Terrace speaker', 'sound', 'wall', 2.3, [240, 180], [['spk_14_2', 'speaker', 0.8]], {
    impedanceOhm: 8,
    soundUse: 'distributed',
  }),
  deviceType('subwoofer', 'SW', 'Subwoofer place', 'sound', 'wall', 0.35, [420, 420], [['rg6', 'line level', 0.45]]),
  deviceType(
    'display',
    'TV',
    'Display',
    'picture',
    'wall',
    1.35,
    [1450, 80],
    [
      ['cat6a_utp', 'network', 1],
      ['cat6a_utp', 'extender', 1],
      ['hdmi_fibre', 'picture', 1],
    ],
  ),
  deviceType(
    'projector',
    'PJ',
    'Projector',
    'picture',
    'ceiling',
    null,
    [460, 420],
    [
      ['cat6a_utp', 'network', 2],
      ['hdmi_fibre', 'picture', 2],
      ['ctl_18_2', 'trigger', 2],
    ],
  ),
  deviceType('screen', 'SC', 'Projection screen', 'picture', 'wall', 2.2, [2900, 140], [['ctl_18_2', 'trigger', 1]]),
  deviceType('access-point', 'AP', 'Access point', 'data', 'ceiling', null, [200, 200], [['cat6a_utp', 'network', 3]], {
    round: true,
  }),
  deviceType(
    'network-drop',
    'ND',
    'Network drop',
    'data',
    'wall',
    0.4,
    [90, 60],
    [
      ['cat6_utp', 'network', 0.45],
      ['cat6_utp', 'network spare', 0.45],
    ],
  ),
  deviceType('coax-outlet', 'CX', 'Coax outlet', 'coax', 'wall', 0.4, [90, 60], [['rg6', 'aerial', 0.45]]),
  deviceType('keypad', 'KP', 'Keypad', 'control', 'wall', 1.12, [90, 60], [['ctl_18_4', 'bus', 0.3]]),
  deviceType('touch-panel', 'TP', 'Touch panel', 'control', 'wall', 1.35, [190, 60], [['cat6_utp', 'network', 0.45]]),
  deviceType('thermostat', 'TH', 'Thermostat', 'control', 'wall', 1.4, [90, 60], [['ctl_18_4', 'bus', 0.3]]),
  deviceType('volume-control', 'VC', 'Volume control', 'sound', 'wall', 1.12, [90, 60], [['spk_16_4', 'pair', 0.45]]),
  deviceType('shade', 'SH', 'Window shade', 'shade', 'wall', 2.25, [1200, 100], [['shade_16_2_22_2p', 'supply and bus', 0.45]]),
  deviceType('strip-light', 'LS', 'Strip light feed', 'light', 'wall', 2.3, [120, 60], [['led_16_6', 'driver feed', 0.45]]),
  deviceType('camera', 'CM', 'Camera', 'guard', 'wall', 2.7, [120, 180], [['cat6_utp', 'network', 3]]),
  deviceType('door-station', 'DB', 'Door station', 'guard', 'wall', 1.25, [110, 60], [['cat6_utp', 'network', 0.45]]),
  deviceType('motion-sensor', 'MO', 'Motion sensor', 'guard', 'wall', 2.2, [80, 70], [['sec_22_4', 'zone', 0.45]]),
  deviceType('glass-break', 'GB', 'Glass-break sensor', 'guard', 'ceiling', null, [90, 90], [['sec_22_4', 'zone', 0.45]], {
    round: true,
  }),
  deviceType('opening-contact', 'OC', 'Opening contact', 'guard', 'wall', 2.12, [60, 50], [['sec_22_2', 'zone', 0.3]]),
  deviceType('siren', 'SR', 'Siren', 'guard', 'wall', 2.4, [150, 70], [['ctl_18_2', 'siren', 0.45]]),
  deviceType('floor-box', 'FB', 'Floor box', 'data', 'floor', 0, [260, 200], [['cat6_utp', 'network', 0.45]]),
];
