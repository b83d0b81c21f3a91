import { SYSTEM_COLORS } from '@dusky-spool/design';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const file = (name: string) => require.resolve(`@fontsource/${name}.woff`);

/** Static .woff faces: the PDF writer draws variable and .woff2 faces as nothing, without an error. */
export const FONTS = {
  ui: file('hanken-grotesk/files/hanken-grotesk-latin-400-normal'),
  uiBold: file('hanken-grotesk/files/hanken-grotesk-latin-700-normal'),
  tag: file('barlow-semi-condensed/files/barlow-semi-condensed-latin-500-normal'),
  tagBold: file('barlow-semi-condensed/files/barlow-semi-condensed-latin-600-normal'),
  id: file('spline-sans-mono/files/spline-sans-mono-latin-600-normal'),
} as const;

/** Faces for what the ones above do not have, in the order in which they are asked: other Latin letters, signs, Cyrillic. */
export const FALLBACKS: readonly string[] = [
  file('barlow-semi-condensed/files/barlow-semi-condensed-latin-ext-500-normal'),
  file('hanken-grotesk/files/hanken-grotesk-latin-ext-400-normal'),
  file('commit-mono/files/commit-mono-latin-400-normal'),
  file('hanken-grotesk/files/hanken-grotesk-vietnamese-400-normal'),
  file('hanken-grotesk/files/hanken-grotesk-cyrillic-ext-400-normal'),
];

export const POINTS_PER_MM = 72 / 25.4;

/** Systems in print: a colour and a dash pattern (mm), so that a monochrome print can be read. */
export const SYSTEM_LINES = {
  sound: { colour: SYSTEM_COLORS.sound[0], dash: [] },
  picture: { colour: SYSTEM_COLORS.picture[0], dash: [3.2, 1.1] },
  data: { colour: SYSTEM_COLORS.data[0], dash: [1.9, 0.8] },
  coax: { colour: SYSTEM_COLORS.coax[0], dash: [0.8, 0.8] },
  control: { colour: SYSTEM_COLORS.control[0], dash: [2.1, 0.8, 0.5, 0.8, 0.5, 0.8] },
  shade: { colour: SYSTEM_COLORS.shade[0], dash: [0.4, 1.1] },
  light: { colour: SYSTEM_COLORS.light[0], dash: [1.3, 0.5, 0.3, 0.5] },
  guard: { colour: SYSTEM_COLORS.guard[0], dash: [2.6, 0.8, 0.5, 0.8] },
} as const;
