import { FOOT_M, INCH_M } from '../../math/index.ts';
import type { DrawingDimension, DrawingLayer, DrawingText, UnitEvidence, UnitGuess } from './drawing.ts';

/** Units that drawings of houses are made in, metres each; the likelier first. */
const UNITS = [0.001, 0.01, 1, INCH_M, FOOT_M] as const;

/** What a thing of a house measures, m. */
const HOUSE_M = [4, 150] as const;
const DOOR_M = [0.55, 1.25] as const;
const TEXT_M = [0.04, 0.8] as const;

/** A swing is an arc of about a quarter circle. */
const QUARTER_RAD = [1.3, 1.8] as const;

/** How much each kind of evidence counts: a door leaf is the same everywhere, a text is as large as somebody likes. */
const WEIGHT: Readonly<Record<UnitEvidence['kind'], number>> = {
  header: 10,
  dimension: 6,
  'door-swings': 4,
  size: 2,
  'text-height': 1,
};

interface Seen {
  readonly layers: readonly Pick<DrawingLayer, 'arcs'>[];
  readonly texts: readonly Pick<DrawingText, 'height'>[];
  readonly dimensions: readonly Pick<DrawingDimension, 'measured' | 'text'>[];
  /** The longer side, drawing units. */
  readonly extent: number;
}

/** The unit in which the most of a drawing would be as large as it is in a house, with what speaks for it. */
export function guessUnit({ layers, texts, dimensions, extent }: Seen): UnitGuess {
  const swing = middleOf(layers.flatMap(({ arcs }) => swingsIn(arcs)));
  const height = middleOf(texts.map((text) => text.height));
  const said = dimensions.flatMap(({ measured, text }) => {
    const metres = metresSaid(text);
    return metres === null || measured <= 0 ? [] : [metres / measured];
  });
  const perUnit = middleOf(said);
  const judged = UNITS.map((metresPerUnit): UnitGuess => {
    const evidence: UnitEvidence[] = [];
    const add = (kind: UnitEvidence['kind'], length: number | null, [least, most]: readonly [number, number]) => {
      const metres = (length ?? 0) * metresPerUnit;
      if (length !== null && metres >= least && metres <= most) evidence.push({ kind, metres });
    };
    if (perUnit !== null && Math.abs(perUnit / metresPerUnit - 1) < 0.02)
      evidence.push({
        kind: 'dimension',
        metres: dimensions.find(({ text }) => metresSaid(text) !== null)!.measured * metresPerUnit,
      });
    add('door-swings', swing, DOOR_M);
    add('size', extent, HOUSE_M);
    add('text-height', height, TEXT_M);
    return { metresPerUnit, evidence };
  });
  const score = ({ evidence }: UnitGuess) => evidence.reduce((sum, { kind }) => sum + WEIGHT[kind], 0);
  return judged.reduce((best, one) => (score(one) > score(best) ? one : best));
}

/** Radii of the arcs that may be door swings. */
function swingsIn(arcs: Float64Array): number[] {
  const radii: number[] = [];
  for (let n = 0; n + 4 < arcs.length; n += 5) {
    const turn = Math.abs(arcs[n + 4] - arcs[n + 3]);
    if (turn >= QUARTER_RAD[0] && turn <= QUARTER_RAD[1]) radii.push(arcs[n + 2]);
  }
  return radii;
}

/** The middle one of the values above nothing; null where there are none. */
export function middleOf(values: readonly number[]): number | null {
  const sorted = values.filter((value) => value > 0).sort((a, b) => a - b);
  return sorted.length === 0 ? null : sorted[Math.floor(sorted.length / 2)];
}

/** A length that says its unit: 4.20 m, 12' 6", 84 cm; null for a bare number, which could be in any. */
export function metresSaid(text: string): number | null {
  const metric = /^(\d+(?:[.,]\d+)?)\s*(mm|cm|m)$/i.exec(text.trim());
  if (metric) return Number(metric[1].replace(',', '.')) * { mm: 0.001, cm: 0.01, m: 1 }[metric[2].toLowerCase() as 'm'];
  const feet = /^(\d+)'\s*-?\s*(?:(\d+)?\s*-?\s*(?:(\d+)\/(\d+))?"?)?$/.exec(text.trim());
  if (!feet) return null;
  const inches = Number(feet[2] ?? 0) + (feet[3] ? Number(feet[3]) / Number(feet[4]) : 0);
  return Number.isFinite(inches) ? Number(feet[1]) * FOOT_M + inches * INCH_M : null;
}
