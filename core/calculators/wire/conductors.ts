import { err, ok, type Outcome } from '../../math/index.ts';

/** Diameter of 36 AWG, mm, and the ratio of the diameters of 4/0 and 36 AWG (ASTM B258). */
const [AWG_36_MM, AWG_RATIO] = [0.127, 92];

/** Diameter and area of a solid conductor by its gauge (ASTM B258), mm and mm2. */
export const diameterMmOf = (gaugeAwg: number): number => AWG_36_MM * AWG_RATIO ** ((36 - gaugeAwg) / 39);

/** Gauge of a diameter, mm; a fraction between two gauges. */
export const gaugeOf = (diameterMm: number): number => 36 - (39 * Math.log(diameterMm / AWG_36_MM)) / Math.log(AWG_RATIO);

export const areaMm2Of = (gaugeAwg: number): number => (Math.PI / 4) * diameterMmOf(gaugeAwg) ** 2;

/** What copper-clad aluminium is refused for (ENGINEERING 1.1). */
export const CLAD_REFUSED = ['data', 'poe', 'security', 'lighting'] as const;

export const WIRE_USES = ['speaker', 'power', ...CLAD_REFUSED] as const;

/** Whether a conductor may be used so; `prohibited` where copper-clad aluminium is not. */
export const judgeMaterial = (material: string, use: (typeof WIRE_USES)[number]): Outcome<true> =>
  material === 'cca' && (CLAD_REFUSED as readonly string[]).includes(use)
    ? err('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use })
    : ok(true);
