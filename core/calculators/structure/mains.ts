import { INCH_M } from '../../math/index.ts';
import type { CableType, Feature, ProjectHeader } from '../../model/index.ts';

type Jurisdiction = ProjectHeader['jurisdiction'];

export const CABLE_CLASSES = ['a', 'b', 'c', 'd'] as const;
/** Segregation class of a cable (EN 50174-2): d S/FTP, c F/UTP, b UTP of category 5e and 6, a all else and unknown. */
export type CableClass = (typeof CABLE_CLASSES)[number];
export const DIVIDERS = ['none', 'open-metal', 'perforated-metal', 'solid-metal'] as const;
export type Divider = (typeof DIVIDERS)[number];

/** EN 50174-2, mm, by class of cable and divider. */
const S_MM: Readonly<Record<CableClass, readonly [number, number, number, number]>> = {
  a: [300, 225, 150, 0],
  b: [100, 75, 50, 0],
  c: [50, 38, 25, 0],
  d: [10, 8, 5, 0],
};
/** Factor by number of 20 A, 230 V circuits. */
const P: readonly (readonly [upTo: number, factor: number])[] = [
  [3, 0.2],
  [6, 0.4],
  [9, 0.6],
  [12, 0.8],
  [15, 1],
  [30, 2],
  [45, 3],
  [60, 4],
  [75, 5],
  [Infinity, 6],
];
/** Open conductors: 2 in (NEC 725, 800), and what practice keeps where they run beside each other for longer, m. */
export const OPEN_CONDUCTORS_M = 2 * INCH_M;
const PARALLEL_KEEP_M = 0.3;
/** Parallel runs longer than this keep their distance, m (ENGINEERING 7.1, plan checks). */
export const PARALLEL_FROM_M = 2;
/** From mains without a divider (BS 6701), m. */
const UK_MIN_M = 0.05;

export interface BesideCircuits {
  readonly jurisdiction: Jurisdiction;
  readonly cableClass: CableClass;
  readonly divider?: Divider;
  /** Circuits of 20 A, 230 V beside it. */
  readonly circuits: number;
  /** Length beside each other, m. */
  readonly parallelM: number;
  /** Either is in raceway or metal-sheathed or nonmetallic-sheathed cable. */
  readonly enclosed?: boolean;
}

/**
 * The distance that a cable keeps from branch circuits, m. `computedM` is S*P where the region has it, null elsewhere. Crossings
 * at right angles are left out.
 */
export function mainsSeparation({
  jurisdiction,
  cableClass,
  divider = 'none',
  circuits,
  parallelM,
  enclosed = false,
}: BesideCircuits): { readonly computedM: number | null; readonly leastM: number } {
  if (jurisdiction === 'EU' || jurisdiction === 'UK') {
    const factor = circuits === 0 ? 0 : P.find(([upTo]) => circuits <= upTo)![1];
    const computedM = (S_MM[cableClass][DIVIDERS.indexOf(divider)] * factor) / 1000;
    const isOpen = jurisdiction === 'UK' && divider === 'none' && circuits > 0;
    return { computedM, leastM: isOpen ? Math.max(computedM, UK_MIN_M) : computedM };
  }
  return { computedM: null, leastM: parallelM > PARALLEL_FROM_M ? PARALLEL_KEEP_M : enclosed ? 0 : OPEN_CONDUCTORS_M };
}

/** The class of a cable as far as its type tells: twisted pairs of a category are unshielded unless the firm says otherwise. */
export const cableClassOf = ({ family }: Pick<CableType, 'family'>): CableClass => (family.startsWith('cat') ? 'b' : 'a');

/** What a planned route keeps from a mains route: as entered, else by the region, the class of the cable and the circuits, m. */
export const keepFromMains = (
  { clearanceM, circuits }: Pick<Feature, 'clearanceM' | 'circuits'>,
  jurisdiction: Jurisdiction,
  cableClass: CableClass,
): number => clearanceM || mainsSeparation({ jurisdiction, cableClass, circuits, parallelM: Infinity }).leastM;
