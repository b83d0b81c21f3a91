/** Colors of one theme, by what they are for. */
export interface Palette {
  /** Around sheets, and on panels. */
  readonly ground: string;
  readonly groundDeep: string;
  readonly paper: string;
  readonly room: string;
  readonly line: string;
  readonly dot: string;
  readonly wall: string;
  readonly glass: string;
  /** Studs, joists, plates, beams. */
  readonly timber: string;
  /** What was there before the job. */
  readonly existing: string;
  /** Guides, marks of trades, points of reference. */
  readonly guide: string;
  /** The ground around the house. */
  readonly site: string;
  /** Mains, gas, water: what must not be met. */
  readonly hazard: string;
  readonly ink: string;
  readonly inkSoft: string;
  readonly inkFaint: string;
  /** The color of actions and of what is selected. */
  readonly accent: string;
  readonly accentText: string;
  readonly accentSoft: string;
  readonly error: string;
  readonly warning: string;
  readonly ok: string;
  readonly shadow: string;
}

export const LIGHT: Palette = {
  ground: '#f7f2e8',
  groundDeep: '#efe7d8',
  paper: '#fffdf8',
  room: '#fffdf8',
  line: '#d9cfbd',
  dot: '#ece4d5',
  wall: '#3a3445',
  glass: '#7fb0bd',
  timber: '#8a6410',
  existing: '#1c7280',
  guide: '#5257a6',
  site: '#4f6b2b',
  hazard: '#b2373c',
  ink: '#2b2733',
  inkSoft: '#5d566a',
  inkFaint: '#716a7c',
  accent: '#b4592a',
  accentText: '#a34d21',
  accentSoft: '#f3ddcf',
  error: '#b2373c',
  warning: '#8f610d',
  ok: '#4f7a3a',
  shadow: '0 1px 2px rgb(43 39 51 / 8%), 0 4px 14px rgb(43 39 51 / 8%)',
};

export const DARK: Palette = {
  ground: '#221c2c',
  groundDeep: '#2a2337',
  paper: '#2f273d',
  room: '#2b2438',
  line: '#4a3f5e',
  dot: '#3a314b',
  wall: '#cfc5dd',
  glass: '#7fb0bd',
  timber: '#d6ab4e',
  existing: '#5fbccb',
  guide: '#a3a7f0',
  site: '#a3c46f',
  hazard: '#f08a8d',
  ink: '#f1ecf6',
  inkSoft: '#c9bfd8',
  inkFaint: '#a99fc0',
  accent: '#e38f5d',
  accentText: '#eda377',
  accentSoft: '#55362f',
  error: '#f08a8d',
  warning: '#dcae55',
  ok: '#93c47a',
  shadow: '0 1px 2px rgb(0 0 0 / 30%), 0 4px 14px rgb(0 0 0 / 30%)',
};

/** Shades of the header and of the stage thread, the same in both themes. */
export const DUSK = {
  900: '#231d2e',
  800: '#2f2740',
  750: '#3a3055',
  700: '#40355a',
  500: '#6d5f8a',
  300: '#a99fc0',
  200: '#d9d1e6',
  100: '#e4dfee',
  ink: '#f7f2e8',
  accent: '#e79a66',
  ember: '#5b3f4d',
  error: '#f08a8d',
} as const;

/** Colors of systems, for systems only: in the light and the dark theme. */
export const SYSTEM_COLORS = {
  sound: ['#b4592a', '#e38f5d'],
  picture: ['#8a6410', '#d6ab4e'],
  data: ['#1c7280', '#5fbccb'],
  coax: ['#7d3c63', '#d491b8'],
  control: ['#4f6b2b', '#a3c46f'],
  shade: ['#5257a6', '#a3a7f0'],
  light: ['#b3405a', '#ee8fa3'],
  guard: ['#3d6b9e', '#86b4e6'],
} as const;

/** Inks of printed sheets: those of the light theme, and grays that print well. */
export const PRINT = {
  ink: LIGHT.ink,
  inkSoft: LIGHT.inkSoft,
  /** Labels are read at arm's length: darker than text on paper. */
  labelInk: '#1d1a22',
  rule: '#b9b0a2',
  ruleDark: '#8d857a',
  accent: LIGHT.accent,
  hole: DUSK[800],
} as const;
