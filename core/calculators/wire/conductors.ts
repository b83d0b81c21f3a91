import { fine, type Outcome, refuse } from '../../math/index.ts';

/** F1.1, F1.2. */
export const diameterMmOf = (gaugeAwg: number): number => 0.127 * 92 ** ((36 - gaugeAwg) / 39);

export const areaMm2Of = (gaugeAwg: number): number => (Math.PI / 4) * diameterMmOf(gaugeAwg) ** 2;

/** What copper-clad aluminium is refused for (ENGINEERING 1.1). */
export const CLAD_REFUSED = ['data', 'poe', 'security', 'lighting'] as const;

export const WIRE_USES = ['speaker', 'power', ...CLAD_REFUSED] as const;

/** Whether a conductor may be used so; `prohibited` where copper-clad aluminium is not. */
export const judgeMaterial = (material: string, use: (typeof WIRE_USES)[number]): Outcome<true> =>
  material === 'cca' && (CLAD_REFUSED as readonly string[]).includes(use)
    ? refuse('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use })
    : fine(true);
