import type { CableType, SystemName } from '../../model/index.ts';

/** One row of the table of typical cables (ENGINEERING 1.2): defaults, editable in each project; mm, N, and an invented price per metre. */
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
  pricePerM: number,
  jacketColour: string,
];

const CABLE_ROWS: readonly CableRow[] = [
  ['spk_16_2', 'Speaker 16/2', 'sound', 2, 16, true, 7.2, 36, 130, 'spk_2', 0.8, 'ivory'],
  ['spk_14_2', 'Speaker 14/2', 'sound', 2, 14, true, 8.4, 42, 205, 'spk_2', 1.15, 'ivory'],
  ['spk_12_2', 'Speaker 12/2', 'sound', 2, 12, true, 10.2, 51, 330, 'spk_2', 1.8, 'ivory'],
  ['spk_14_2_plenum', 'Speaker 14/2, plenum', 'sound', 2, 14, true, 8.4, 42, 205, 'spk_2', 2.3, 'white'],
  ['spk_12_2_plenum', 'Speaker 12/2, plenum', 'sound', 2, 12, true, 10.2, 51, 330, 'spk_2', 3.6, 'white'],
  ['spk_16_4', 'Speaker 16/4', 'sound', 4, 16, true, 8.6, 43, 260, 'spk_4', 1.4, 'ivory'],
  ['spk_14_4', 'Speaker 14/4', 'sound', 4, 14, true, 10.2, 51, 415, 'spk_4', 2.1, 'ivory'],
  ['cat5e_utp', 'Category 5e', 'data', 8, 24, false, 5.2, 25, 110, 'cat', 0.4, 'grey'],
  ['cat6_utp', 'Category 6', 'data', 8, 23, false, 6.1, 25, 110, 'cat', 0.55, 'blue'],
  ['cat6_outdoor', 'Category 6, outdoor', 'data', 8, 23, false, 6.5, 32, 110, 'cat', 0.9, 'black'],
  ['cat6_plenum', 'Category 6, plenum', 'data', 8, 23, false, 6.1, 25, 110, 'cat', 1.1, 'white'],
  ['cat6a_utp', 'Category 6A', 'data', 8, 23, false, 7.8, 32, 110, 'cat', 0.95, 'violet'],
  ['cat6a_futp', 'Category 6A, foil', 'data', 8, 23, false, 7.4, 32, 110, 'cat', 1.1, 'violet'],
  ['rg59', 'Coax RG59', 'coax', 1, 20, false, 6.1, 61, 110, 'coax', 0.45, 'black'],
  ['rg6', 'Coax RG6', 'coax', 1, 18, false, 6.9, 70, 155, 'coax', 0.6, 'black'],
  ['rg6_quad', 'Coax RG6, quad shield', 'coax', 1, 18, false, 7.6, 76, 155, 'coax', 0.85, 'black'],
  ['rg11', 'Coax RG11', 'coax', 1, 14, false, 10.3, 103, 360, 'coax', 1.3, 'black'],
  ['ctl_18_2', 'Control 18/2', 'control', 2, 18, true, 5.6, 28, 80, 'ctl_2', 0.5, 'grey'],
  ['ctl_18_4', 'Control 18/4', 'control', 4, 18, true, 6.4, 32, 160, 'ctl_4', 0.85, 'grey'],
  ['ctl_18_8', 'Control 18/8', 'control', 8, 18, true, 8.4, 42, 320, 'ctl_8', 1.6, 'grey'],
  ['sec_22_2', 'Sensor 22/2', 'guard', 2, 22, true, 3.6, 18, 32, 'sec_2', 0.25, 'white'],
  ['sec_22_4', 'Sensor 22/4', 'guard', 4, 22, true, 4.3, 22, 65, 'sec_4', 0.4, 'white'],
  ['led_16_6', 'Strip light 16/6', 'light', 6, 16, true, 10.4, 52, 390, 'led', 2.6, 'orange'],
  ['shade_16_2_22_2p', 'Shade 16/2 + data', 'shade', 4, 16, true, 8.6, 43, 130, 'shade', 1.9, 'green'],
  ['hdmi_passive_24', 'HDMI cable, copper', 'picture', 19, 24, false, 9, 90, 90, 'hdmi', 3.2, 'black'],
  ['hdmi_passive_28', 'HDMI cable, copper, thin', 'picture', 19, 28, false, 6.5, 65, 60, 'hdmi', 2.4, 'black'],
  ['hdmi_fibre', 'Active optical HDMI cable', 'picture', 4, null, false, 4.8, 60, 90, 'hdmi', 6.5, 'aqua'],
  ['bond_10', 'Bonding conductor, 10 AWG copper', 'coax', 1, 10, true, 6, 30, 260, 'bond', 1.1, 'green-yellow'],
  ['bond_6', 'Bonding conductor, 6 AWG copper', 'coax', 1, 6, true, 8.4, 42, 660, 'bond', 2.4, 'green-yellow'],
  ['spk_14_4_outdoor', 'Speaker 14/4, outdoor', 'sound', 4, 14, true, 10.8, 54, 415, 'spk_4', 2.7, 'black'],
  ['ctl_18_4_outdoor', 'Control 18/4, outdoor', 'control', 4, 18, true, 7.0, 35, 160, 'ctl_4', 1.2, 'black'],
  // Conduits: outside diameter and bend radius of the bender, mm; the size is that of the bore inside.
  ['conduit_21', 'Conduit 21 mm (3/4 in), pull string', 'data', 1, null, false, 26.7, 115, 500, 'conduit', 1.6, ''],
  ['conduit_27', 'Conduit 27 mm (1 in), pull string', 'data', 1, null, false, 33.4, 146, 500, 'conduit', 2.4, ''],
  ['conduit_35', 'Conduit 35 mm (1 1/4 in), pull string', 'data', 1, null, false, 42.2, 184, 500, 'conduit', 3.4, ''],
  ['conduit_53', 'Conduit 53 mm (2 in), pull string', 'data', 1, null, false, 60.3, 241, 500, 'conduit', 5.2, ''],
  ['fibre_2', 'Duplex fibre', 'data', 2, null, false, 4.0, 50, 220, 'fibre', 1.6, 'yellow'],
];

/** The usual spool or box: 305 m (1000 ft). */
const SPOOL_M = 305;

/** The generic cables that a new project starts with. */
export const CABLE_TYPES: readonly CableType[] = CABLE_ROWS.map(
  ([id, name, system, conductors, gaugeAwg, stranded, diameterMm, bendMm, pullN, family, pricePerM, jacketColour]) => ({
    id,
    name,
    system,
    conductors,
    gaugeAwg,
    material: family === 'conduit' ? 'plastic' : gaugeAwg === null ? 'fibre' : 'copper',
    stranded,
    outsideDiameterM: diameterMm / 1000,
    bendRadiusM: bendMm / 1000,
    pullN,
    family,
    pricePerM,
    jacketColour,
    alsoRated: [],
    spoolM: SPOOL_M,
    rating: id.endsWith('_outdoor') ? 'outdoor' : id.endsWith('_plenum') ? 'plenum' : 'general',
  }),
);
