import { DARK, DUSK, LIGHT, type Palette, SYSTEM_COLORS } from './colors.ts';
import { FONTS, SPACE_PX, TEXT_PX } from './type.ts';

const kebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
const lines = (entries: readonly (readonly [string, string])[]) =>
  entries.map(([name, value]) => `  --${name}: ${value};`).join('\n');
const palette = (colors: Palette) => Object.entries(colors).map(([name, value]) => [kebab(name), String(value)] as const);
const systems = (theme: 0 | 1) => Object.entries(SYSTEM_COLORS).map(([name, colors]) => [name, colors[theme]] as const);

/** The tokens as custom properties of CSS, for the light theme and, under `[data-theme='dusk']`, the dark one. */
export function tokensCss(): string {
  const fixed = [
    ...Object.entries(DUSK).map(([step, value]) => [`dusk-${step}`, value] as const),
    ...Object.entries(FONTS).map(([name, value]) => [`font-${name}`, value] as const),
    ...Object.entries(TEXT_PX).map(([name, px]) => [`text-${name}`, `${px}px`] as const),
    ...SPACE_PX.map((px) => [`space-${px}`, `${px}px`] as const),
  ];
  return `/* Written by npm run docs from design/: change it there. */
:root {
${lines([...fixed, ...palette(LIGHT), ...systems(0)])}
}

[data-theme='dusk'] {
${lines([...palette(DARK), ...systems(1)])}
}
`;
}
