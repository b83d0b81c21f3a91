import { derivationsOf, listOf } from '../derive/index.ts';
import { groupedBy } from '../math/index.ts';
import type { CableType, ProjectDocument, Spool } from '../model/index.ts';
import { compareNumbers, cutFromSpool, PLANNED_RUNS, type PlannedRun } from '../runs/index.ts';
import { centsOf } from './money.ts';
import { Certainty } from './pack.ts';
import { solveSpools } from './solve-spools.ts';
import type { Cut, FilledSpool, SpoolAnswer, SpoolOffer } from './spool-problem.ts';

/** What is left on a spool that is there, m. */
export interface SpoolLeft {
  readonly spool: Spool;
  readonly leftM: number;
}

/** A spool of the plan: one that is there, or one that is bought. */
export interface PlannedSpool extends FilledSpool {
  /** Its cable, and `S3` of stock or `new 2` of what is bought. */
  readonly key: string;
  /** What one run alone may be longer than expected before the last cut is short, m. */
  readonly spareM: number;
  /** Where the last cut comes from if that happens: another spool by its key, or a size that is bought; null where neither is long enough. */
  readonly repair: { readonly key: string } | { readonly offerId: string } | null;
}

/** Spools of one cable type with what is cut from them. */
export interface CableSpools {
  readonly cable: CableType;
  readonly offers: readonly SpoolOffer[];
  readonly answer: SpoolAnswer;
  readonly spools: readonly PlannedSpool[];
  /** Runs that are cut already, m. */
  readonly cutM: number;
  /** Runs without a route yet: they are in no plan. */
  readonly withoutRoute: readonly string[];
}

/** A cut in the order of the pulls. */
export interface PulledCut {
  readonly runId: string;
  readonly number: string;
  readonly cableTypeId: string;
  readonly key: string;
  /** As it is scheduled, and as it is expected, m. */
  readonly lengthM: number;
  readonly meanM: number;
  /** On its spool after this pull as it is expected, m. */
  readonly leftM: number;
}

/** Cables that are pulled together: so many spools are set up at once. */
export interface Pull {
  readonly bundle: string;
  readonly rackId: string;
  readonly longestM: number;
  readonly cuts: readonly PulledCut[];
}

/** What is brought to a level: the spools that are pulled to it. */
export interface LevelSpools {
  readonly levelId: string;
  readonly keys: readonly string[];
  readonly lengthM: number;
}

/** Leads that are bought with their plugs on, of one length. */
export interface MadeLeads {
  readonly cable: CableType;
  readonly lengthM: number;
  readonly numbers: readonly string[];
}

export interface SpoolPlanOfHouse {
  readonly cables: readonly CableSpools[];
  /** What is never cut from a spool. */
  readonly leads: readonly MadeLeads[];
  readonly pulls: readonly Pull[];
  readonly levels: readonly LevelSpools[];
  readonly costCents: number;
  readonly boundCents: number;
  readonly count: number;
}

/** A spool as its key names it beside its cable: `S3`, or `new 2`. */
export const spoolName = (key: string): string => key.slice(key.indexOf(':') + 1);

/** How much more a plan costs than the least that any plan must, %. */
export const overBoundPercent = ({ costCents, boundCents }: Pick<SpoolPlanOfHouse, 'costCents' | 'boundCents'>): number =>
  boundCents > 0 ? (costCents / boundCents - 1) * 100 : 0;

/** What every spool of a project has left, by what is written on it: its length less what was cut from it. */
export function spoolsLeft(project: ProjectDocument): SpoolLeft[] {
  const cutOf = new Map<string, number>();
  for (const { spoolId, lengthM } of listOf(project, 'spoolCuts')) cutOf.set(spoolId, (cutOf.get(spoolId) ?? 0) + lengthM);
  return listOf(project, 'spools')
    .toSorted((a, b) => compareNumbers(a.code, b.code))
    .map((spool) => ({ spool, leftM: Math.max(0, spool.lengthM - (cutOf.get(spool.id) ?? 0)) }));
}

/** Sizes on offer for a cable: those that were entered, else the usual spool at the price of its meters. */
export function offersFor(project: ProjectDocument, cable: CableType): SpoolOffer[] {
  const own = listOf(project, 'spoolOffers').filter(({ cableTypeId }) => cableTypeId === cable.id);
  if (own.length > 0) return own.map(({ id, lengthM, priceCents }) => ({ id, lengthM, priceCents }));
  return [{ id: `usual:${cable.id}`, lengthM: cable.spoolM, priceCents: centsOf(cable.pricePerM * cable.spoolM) }];
}

/** The cut of a run: its routed length with the reserve, less and more by what the route may be wrong; at the longest as it is scheduled. */
function cutOf({ run, length }: PlannedRun, reserveM: number): Cut {
  const { leastM, mostM, cutLengthM } = length!;
  return {
    ...{ id: run.id, bundle: run.bundle, mostM: cutLengthM },
    meanM: Math.min(cutLengthM, (leastM + mostM) / 2 + reserveM),
    sdM: (mostM - leastM) / 4,
  };
}

/** Families that come with their plugs on, and the lengths in which they are made, m. */
const MADE_UP: ReadonlySet<string> = new Set(['hdmi']);
const LEADS_M = [1, 2, 3, 5, 7.5, 10, 12.5, 15, 20, 25, 30, 40, 50, 60, 80, 100];

/** Leads with plugs: each run takes the next length that is made. */
function leadsOf(project: ProjectDocument, wanted: readonly PlannedRun[]): MadeLeads[] {
  const byLength = new Map<string, { cable: CableType; lengthM: number; numbers: string[] }>();
  for (const one of wanted) {
    const cable = project.cableTypes[one.run.cableTypeId];
    const cutM = cutFromSpool(one);
    if (!MADE_UP.has(cable.family) || cutM === 0) continue;
    const lengthM = LEADS_M.find((size) => size >= cutM - 1e-9) ?? Math.ceil(cutM);
    const own = byLength.get(`${cable.id} ${lengthM}`);
    if (own) own.numbers.push(one.run.number);
    else byLength.set(`${cable.id} ${lengthM}`, { cable, lengthM, numbers: [one.run.number] });
  }
  return [...byLength.values()].sort((a, b) => compareNumbers(a.cable.name, b.cable.name) || a.lengthM - b.lengthM);
}

/** Spools of a whole house: what is bought, what is cut from what in which order, and what to bring where. */
export function planSpoolsOf(project: ProjectDocument): SpoolPlanOfHouse {
  const planned = derivationsOf(project).get(PLANNED_RUNS);
  const done = new Set(listOf(project, 'spoolCuts').flatMap(({ runId }) => runId ?? []));
  const left = spoolsLeft(project);
  const open = planned.filter(({ run }) => run.foundId === null && !done.has(run.id));
  const wanted = open.filter(({ run }) => !MADE_UP.has(project.cableTypes[run.cableTypeId].family));
  const cables = listOf(project, 'cableTypes').flatMap((cable) => {
    if (MADE_UP.has(cable.family)) return [];
    const own = wanted.filter(({ run }) => run.cableTypeId === cable.id);
    const cut = planned.filter(({ run }) => run.cableTypeId === cable.id && done.has(run.id));
    return own.length + cut.length > 0 ? [cableSpools(project, cable, { own, cut, left })] : [];
  });
  const keyOf = new Map(
    cables.flatMap(({ spools }) => spools.flatMap(({ key, cutIds }) => cutIds.map((id) => [id, key] as const))),
  );
  return {
    cables,
    leads: leadsOf(project, open),
    pulls: pullsOf(wanted, cables, keyOf, project.project.reserveM),
    levels: levelsOf(project, wanted, keyOf),
    costCents: cables.reduce((sum, { answer }) => sum + answer.costCents, 0),
    boundCents: cables.reduce((sum, { answer }) => sum + answer.boundCents, 0),
    count: cables.reduce((sum, { answer }) => sum + answer.count, 0),
  };
}

interface OfCable {
  readonly own: readonly PlannedRun[];
  readonly cut: readonly PlannedRun[];
  readonly left: readonly SpoolLeft[];
}

function cableSpools(project: ProjectDocument, cable: CableType, { own, cut, left }: OfCable): CableSpools {
  const { spoolSettings, reserveM } = project.project;
  const routed = own.filter((one) => cutFromSpool(one) > 0);
  const cuts = routed.map((one) => cutOf(one, reserveM));
  const stock = left.filter(({ spool, leftM }) => spool.cableTypeId === cable.id && leftM > 0);
  const offers = offersFor(project, cable);
  const { confidence, aim } = spoolSettings;
  const answer = solveSpools({
    ...{ cuts, offers, confidence, aim },
    stock: stock.map(({ spool, leftM }) => ({ id: spool.id, leftM })),
  });
  const codeOf = new Map(stock.map(({ spool }) => [spool.id, spool.code]));
  let bought = 0;
  const keyed = answer.spools.map((one) => ({
    ...one,
    key: one.stockId === null ? `${cable.id}:new ${++bought}` : `${cable.id}:${codeOf.get(one.stockId)!}`,
  }));
  const byId = new Map(cuts.map((one) => [one.id, one]));
  const certainty = new Certainty(confidence);
  return {
    ...{ cable, offers, answer },
    spools: keyed.map((spool) => withRepair(spool, keyed, { byId, offers, certainty, cable, stock })),
    cutM: cut.reduce((sum, { length }) => sum + (length?.cutLengthM ?? 0), 0),
    withoutRoute: own.filter(({ length }) => length === null).map(({ run }) => run.number),
  };
}

interface Around {
  readonly byId: ReadonlyMap<string, Cut>;
  readonly offers: readonly SpoolOffer[];
  readonly certainty: Certainty;
  readonly cable: CableType;
  readonly stock: readonly SpoolLeft[];
}

type Keyed = FilledSpool & { readonly key: string };

/** What a longer run would spoil, and where the cut that is short then comes from. */
function withRepair(spool: Keyed, all: readonly Keyed[], { byId, offers, certainty, cable, stock }: Around): PlannedSpool {
  const own = spool.cutIds.map((id) => byId.get(id)!);
  const meanM = own.reduce((sum, one) => sum + certainty.sized(one).meanM, 0);
  // The shortest cut is the easiest to find elsewhere: it is kept for the end.
  const last = own.toSorted((a, b) => a.mostM - b.mostM)[0];
  const isFree = (one: Keyed) => last.bundle === '' || one.cutIds.every((id) => byId.get(id)!.bundle !== last.bundle);
  const other = all.filter((one) => one !== spool && one.leftM >= last.mostM && isFree(one)).sort((a, b) => a.leftM - b.leftM)[0];
  const unused = stock.find(({ spool: one, leftM }) => leftM >= last.mostM && all.every(({ stockId }) => stockId !== one.id));
  const offer = offers.filter(({ lengthM }) => lengthM >= last.mostM).sort((a, b) => a.priceCents - b.priceCents)[0];
  return {
    ...spool,
    spareM: spool.lengthM - meanM,
    repair: other
      ? { key: other.key }
      : unused
        ? { key: `${cable.id}:${unused.spool.code}` }
        : offer
          ? { offerId: offer.id }
          : null,
  };
}

/** Pulls in the order in which they are best made: many cables first, then far ones; each cut with what its spool has left after it. */
function pullsOf(
  wanted: readonly PlannedRun[],
  cables: readonly CableSpools[],
  keyOf: ReadonlyMap<string, string>,
  reserveM: number,
): Pull[] {
  const groups = groupedBy(
    wanted.filter(({ run }) => keyOf.has(run.id)),
    ({ run }) => (run.bundle === '' ? `run ${run.id}` : run.bundle),
  );
  const longest = (runs: readonly PlannedRun[]) => Math.max(...runs.map(({ length }) => length!.cutLengthM));
  const ordered = [...groups.values()].sort(
    (a, b) => b.length - a.length || longest(b) - longest(a) || compareNumbers(a[0].run.number, b[0].run.number),
  );
  const left = new Map(cables.flatMap(({ spools }) => spools.map(({ key, lengthM }) => [key, lengthM] as const)));
  return ordered.map((runs) => ({
    ...{ bundle: runs[0].run.bundle, rackId: runs[0].run.rackId, longestM: longest(runs) },
    cuts: [...runs]
      .sort((a, b) => compareNumbers(a.run.number, b.run.number))
      .map((one): PulledCut => {
        const { id: runId, number, cableTypeId } = one.run;
        const key = keyOf.get(runId)!;
        const { meanM, mostM: lengthM } = cutOf(one, reserveM);
        const leftM = left.get(key)! - meanM;
        left.set(key, leftM);
        return { runId, number, cableTypeId, key, lengthM, meanM, leftM };
      }),
  }));
}

function levelsOf(project: ProjectDocument, wanted: readonly PlannedRun[], keyOf: ReadonlyMap<string, string>): LevelSpools[] {
  const byLevel = new Map<string, { keys: Set<string>; lengthM: number }>();
  for (const { run, device, length } of wanted) {
    const key = keyOf.get(run.id);
    if (!key) continue;
    const own = byLevel.get(device.levelId) ?? { keys: new Set<string>(), lengthM: 0 };
    own.keys.add(key);
    own.lengthM += length!.cutLengthM;
    byLevel.set(device.levelId, own);
  }
  return listOf(project, 'levels')
    .toSorted((a, b) => a.order - b.order)
    .flatMap(({ id }) => {
      const own = byLevel.get(id);
      return own ? [{ levelId: id, keys: [...own.keys].sort(), lengthM: own.lengthM }] : [];
    });
}
