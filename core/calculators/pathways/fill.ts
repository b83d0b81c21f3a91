import { err, ok, type Outcome } from '../../math/index.ts';
import type { ProjectHeader } from '../../model/index.ts';

/** A conduit of the table of ENGINEERING 6, clear inside, m. */
export interface ConduitSize {
  readonly key: string;
  readonly name: string;
  readonly insideM: number;
  readonly outsideM: number;
  readonly region: 'NA' | 'EU';
}

const size = (key: string, name: string, insideMm: number, outsideMm: number, region: ConduitSize['region']): ConduitSize => ({
  key,
  name,
  insideM: insideMm / 1000,
  outsideM: outsideMm / 1000,
  region,
});

/** Flexible conduit as it is used for low voltage, smallest first (ENGINEERING 6; inside diameters are typical low ends). */
export const CONDUITS: readonly ConduitSize[] = [
  size('flex-3/4', 'Flexible 3/4 in', 19, 26, 'NA'),
  size('flex-1', 'Flexible 1 in', 25, 33, 'NA'),
  size('flex-1-1/4', 'Flexible 1-1/4 in', 33.5, 42, 'NA'),
  size('flex-1-1/2', 'Flexible 1-1/2 in', 39.5, 48, 'NA'),
  size('flex-2', 'Flexible 2 in', 51, 60, 'NA'),
  size('corr-20', 'Corrugated 20 mm', 14.1, 20, 'EU'),
  size('corr-25', 'Corrugated 25 mm', 18.3, 25, 'EU'),
  size('corr-32', 'Corrugated 32 mm', 24.3, 32, 'EU'),
  size('corr-40', 'Corrugated 40 mm', 31.2, 40, 'EU'),
  size('corr-50', 'Corrugated 50 mm', 39.6, 50, 'EU'),
  size('corr-63', 'Corrugated 63 mm', 50.6, 63, 'EU'),
];

/** Nipples no longer than this may be filled further, m. */
const NIPPLE_M = 0.6;
const NIPPLE_FILL = 0.6;

/** Share of a conduit's area that so many cables may fill: 53, 31, 40 % in North America, 40 % elsewhere, 60 % in a nipple. */
export function fillLimit(cables: number, jurisdiction: ProjectHeader['jurisdiction'], lengthM = Infinity): number {
  if (lengthM <= NIPPLE_M) return NIPPLE_FILL;
  if (jurisdiction !== 'NA') return 0.4;
  return cables <= 1 ? 0.53 : cables === 2 ? 0.31 : 0.4;
}

export interface ConduitFill {
  /** Sum of OD squared over ID squared. */
  readonly fill: number;
  readonly limit: number;
  readonly fits: boolean;
  /** How many more of a cable of this diameter go in, where it was asked. */
  readonly roomFor: number;
}

/**
 * Answers: how full is a conduit, and how many more go in? Units: m. Formula: `sum(OD^2) / ID^2`. Valid for round cables; flat
 * ones count by their larger width. Problems: `conduit-no-size`.
 */
export function conduitFill(
  diametersM: readonly number[],
  insideM: number,
  jurisdiction: ProjectHeader['jurisdiction'],
  lengthM = Infinity,
  moreOfM = 0.0061,
): Outcome<ConduitFill> {
  if (!(insideM > 0)) return err('conduit-no-size', { kind: 'incomplete', field: 'insideDiameterM' });
  const squares = diametersM.reduce((sum, d) => sum + d * d, 0);
  const fillOf = (more: number) => (squares + more * moreOfM * moreOfM) / (insideM * insideM);
  const fits = (more: number) =>
    fillOf(more) <= fillLimit(diametersM.length + more, jurisdiction, lengthM) + 1e-9 &&
    Math.max(0, ...diametersM, more > 0 ? moreOfM : 0) < insideM;
  let roomFor = 0;
  // Fuller than a nipple may be, nothing fits any more.
  for (let more = 1; more <= 400 && fillOf(more) <= NIPPLE_FILL + 1e-9; more++) if (fits(more)) roomFor = more;
  return ok({ fill: fillOf(0), limit: fillLimit(diametersM.length, jurisdiction, lengthM), fits: fits(0), roomFor });
}

/** Three equal cables in a conduit of 2.8 to 3.2 times their diameter may wedge. */
export function jams(diametersM: readonly number[], insideM: number): boolean {
  if (diametersM.length !== 3 || Math.max(...diametersM) - Math.min(...diametersM) > 1e-4) return false;
  const ratio = insideM / diametersM[0];
  return ratio >= 2.8 && ratio <= 3.2;
}

/**
 * Answers: the smallest listed conduit for cables, with a quarter of room to spare. Units: m.
 * Problems: `conduit-none-fits`: take several.
 */
export function conduitSize(
  diametersM: readonly number[],
  jurisdiction: ProjectHeader['jurisdiction'],
  spare = 0.25,
): Outcome<ConduitSize> {
  const region = jurisdiction === 'NA' ? 'NA' : 'EU';
  const squares = diametersM.reduce((sum, d) => sum + d * d, 0) * (1 + spare);
  const limit = fillLimit(diametersM.length, jurisdiction);
  const found = CONDUITS.find(
    (one) =>
      one.region === region && squares <= limit * one.insideM * one.insideM + 1e-12 && Math.max(0, ...diametersM) < one.insideM,
  );
  return found ? ok(found) : err('conduit-none-fits', { kind: 'infeasible', field: 'cables', count: diametersM.length });
}
