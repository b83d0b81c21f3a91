import type { z } from 'zod';
import { err, type Outcome } from '../math/index.ts';

/** What a calculator belongs to, for lists. */
export const CALCULATOR_TOPICS = [
  'wire',
  'speakers',
  'power',
  'data',
  'pictures',
  'coax',
  'ways',
  'structure',
  'placing',
  'security',
  'order',
  'theatre',
  'coverage',
  'shades',
  'head-end',
  'survey',
] as const;
export type CalculatorTopic = (typeof CALCULATOR_TOPICS)[number];

/**
 * What a project knows of a chosen run, its cable, device and room, where its name is not simply that of a calculator's field: cut length
 * of the run, and its routed length without allowance; sides, ceiling and area of the room; depth of its solid joists; what the conductor is for; volts, watts and
 * amperes of the device; kind of coax, of bend and of height; any material, also clad steel; gauge of a bonding conductor.
 */
export type ProjectFact =
  | 'cutLengthM'
  | 'routedLengthM'
  | 'roomLengthM'
  | 'roomWidthM'
  | 'ceilingM'
  | 'roomAreaM2'
  | 'solidJoistM'
  | 'conductorUse'
  | 'deviceV'
  | 'deviceW'
  | 'deviceA'
  | 'coaxKind'
  | 'bendKind'
  | 'heightKind'
  | 'deviceHeightM'
  | 'anyMaterial'
  | 'bondGaugeAwg';

/** Where a field begins from a fact of another name; `null` where the fact of the same name means something else there. */
type FieldSources = Readonly<Record<string, ProjectFact | null>>;

/** A calculator as the command line and screens see it. Units stand in the names of its fields. */
export interface Calculator {
  readonly name: string;
  readonly title: string;
  readonly topic: CalculatorTopic;
  /** Where its figures come from: a standard with its clause, a science, or trade practice. */
  readonly source: string;
  /** Formulas of the reference that it works out; each stands with one calculator. */
  readonly formulaIds?: readonly string[];
  /** For what it holds. */
  readonly valid: string;
  readonly formulas: readonly string[];
  /** Cautions of the reference that stand beside its answer, by number. */
  readonly cautions: readonly string[];
  readonly input: z.ZodType;
  /** An input that it answers, as the reference shows it. */
  readonly example: object;
  readonly from: FieldSources;
  readonly run: (input: never) => Outcome<object>;
  /** The way to the answer in numbers, as a person would check it by hand. */
  readonly steps: (input: never, value: never) => readonly string[];
}

interface Definition<I extends z.ZodType, R extends object> {
  readonly name: string;
  readonly title: string;
  readonly topic: CalculatorTopic;
  readonly source: string;
  readonly formulaIds?: readonly string[];
  readonly valid: string;
  readonly formulas: readonly string[];
  readonly cautions?: readonly string[];
  readonly input: I;
  readonly example: z.input<I>;
  readonly from?: FieldSources;
  readonly run: (input: z.output<I>) => Outcome<R>;
  readonly steps?: (input: z.output<I>, value: R) => readonly string[];
}

/** A calculator whose kept types are those of its own input and answer. */
export type CalculatorOf<I extends z.ZodType, R extends object> = Omit<Calculator, 'run' | 'steps' | 'input' | 'example'> & {
  readonly input: I;
  readonly example: z.input<I>;
  readonly run: (input: z.output<I>) => Outcome<R>;
  readonly steps: (input: z.output<I>, value: R) => readonly string[];
};

export const calculator = <I extends z.ZodType, R extends object>(definition: Definition<I, R>): CalculatorOf<I, R> => ({
  cautions: [],
  from: {},
  steps: () => [],
  ...definition,
});

/** A figure as it is written in a step: four digits that count. */
export const fig = (value: number): string =>
  value === 0 || !Number.isFinite(value) ? String(value) : String(Number(value.toPrecision(4)));

/** A value outside what a formula holds for. */
export const outOfDomain = (field: string, value: number, min: number, max: number) =>
  err('out-of-domain', { kind: 'out_of_domain', field, value, least: min, most: max });

/** The next whole count, 0 and up; float noise above a whole number is none. */
export const countUp = (value: number): number => Math.max(0, Math.ceil(value - 1e-9));

/** Guard against float noise in comparisons with limits: what is on a limit passes (ENGINEERING 0.2). */
const NOISE = 1e-9;
export const atMost = (value: number, limit: number): boolean => value <= limit + NOISE * Math.max(1e-12, Math.abs(limit));
export const atLeast = (value: number, limit: number): boolean => value >= limit - NOISE * Math.max(1e-12, Math.abs(limit));
