import { hoursBand } from '../calculators/index.ts';
import { listOf } from '../derive/index.ts';
import type { Performer, Price, ProjectDocument, SiteTask } from '../model/index.ts';
import { type Bill, type BillCause, type BillLine, billOf, type BillPart } from './bill.ts';
import { type FlatLine, type LaborKind, type WorkOfHouse, workOf } from './labor.ts';
import { planSpoolsOf } from './plan-spools.ts';
import { pulledRuns } from './pulled-runs.ts';
import { priceBook, type PriceDoubt } from './price-list.ts';
import { taxOn, withMargin } from './shares.ts';

/** What an offer is worked out from; bill and work come from the worker, the rest is quick. */
export interface OfferSource {
  readonly bill: Bill;
  readonly work: WorkOfHouse;
}

/** Bill and work of a house; `plan` where its spools are planned already. */
export function offerSourceOf(project: ProjectDocument, plan = planSpoolsOf(project)): OfferSource {
  const pulled = pulledRuns(project);
  return { bill: billOf(project, plan, pulled), work: workOf(project, pulled) };
}

export const OFFER_GROUPS = ['material', 'labor', 'flat', 'task'] as const;
export type OfferGroup = (typeof OFFER_GROUPS)[number];

/** How a line got its price, for whoever points at it. Money in whole cents, hours in person-hours. */
export type PriceRule =
  | { readonly by: 'price-list'; readonly price: Price }
  | { readonly by: 'library' }
  | { readonly by: 'nothing' }
  | { readonly by: 'hours'; readonly hours: number; readonly rate: number }
  | { readonly by: 'share'; readonly percent: number; readonly hours: number; readonly rate: number }
  | { readonly by: 'flat' }
  | { readonly by: 'performer'; readonly performer: Performer }
  | { readonly by: 'task'; readonly hours: number; readonly rate: number };

/** One line of an offer. Price and tax are each rounded to whole cents; the sums of the offer are those of its lines. */
export interface OfferLine {
  readonly key: string;
  readonly group: OfferGroup;
  readonly part: BillPart | LaborKind | FlatLine['kind'] | SiteTask['kind'] | 'cleanup' | 'contingency';
  readonly name: string;
  readonly detail: string;
  readonly count: number;
  /** What one costs the firm; null where it is not bought by the piece, or no price is known. */
  readonly eachCents: number | null;
  readonly costCents: number;
  readonly priceCents: number;
  readonly taxPercent: number;
  readonly taxCents: number;
  readonly supplier: string;
  readonly rule: PriceRule;
  readonly doubt: PriceDoubt | null;
  readonly causes: readonly BillCause[];
}

export interface OfferSums {
  readonly costCents: number;
  readonly priceCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
}

export interface Offer extends OfferSums {
  readonly lines: readonly OfferLine[];
  readonly depositCents: number;
  /** Person-hours of the lines of work, and their band of 40 % either way. */
  readonly hours: number;
  readonly leastHours: number;
  readonly mostHours: number;
  readonly doubts: readonly OfferLine[];
}

export const sumsOf = (lines: readonly OfferLine[]): OfferSums => {
  const sum = (of: (line: OfferLine) => number) => lines.reduce((total, line) => total + of(line), 0);
  const [priceCents, taxCents] = [sum((line) => line.priceCents), sum((line) => line.taxCents)];
  return { costCents: sum((line) => line.costCents), priceCents, taxCents, totalCents: priceCents + taxCents };
};

/**
 * An offer for the whole house on a day, YYYY-MM-DD: materials at their prices with margin, work by hours, runs and outlets at flat prices,
 * and tasks by who does them. `namesOf` gives the names by which price lists may call a line of the bill.
 */
export function offerOf(
  project: ProjectDocument,
  { bill, work }: OfferSource,
  namesOf: (line: BillLine) => readonly string[],
  day: string,
): Offer {
  const lines = [
    ...materialLines(project, bill, work, namesOf, day),
    ...laborLines(project, work),
    ...flatOfferLines(project, work),
    ...taskLines(project),
  ];
  const sums = sumsOf(lines);
  const hours = lines.reduce((sum, { rule }) => sum + ('hours' in rule ? rule.hours : 0), 0);
  return {
    lines,
    ...sums,
    depositCents: Math.round((sums.totalCents * project.project.priceSettings.depositPercent) / 100),
    hours,
    ...hoursBand(hours),
    doubts: lines.filter(({ doubt }) => doubt !== null),
  };
}

type Made = Omit<OfferLine, 'taxCents' | 'taxPercent' | 'detail' | 'supplier' | 'doubt'> &
  Partial<Pick<OfferLine, 'taxPercent' | 'detail' | 'supplier' | 'doubt'>>;

const made = (project: ProjectDocument, line: Made): OfferLine => {
  const taxPercent = line.taxPercent ?? project.project.priceSettings.taxPercent;
  return { detail: '', supplier: '', doubt: null, ...line, taxPercent, taxCents: taxOn(line.priceCents, taxPercent) };
};

function materialLines(
  project: ProjectDocument,
  bill: Bill,
  { flat }: WorkOfHouse,
  namesOf: (line: BillLine) => readonly string[],
  day: string,
): OfferLine[] {
  const find = priceBook(project, day);
  const paid = new Set(flat.flatMap(({ runIds }) => runIds));
  const { marginPercent } = project.project.priceSettings;
  return bill.lines.map((line) => {
    const found = find([line.key, ...namesOf(line)]);
    const eachCents = found.price?.priceCents ?? line.eachCents;
    const costCents = eachCents === null ? 0 : eachCents * line.count;
    // What a flat price pays for already is not asked for twice.
    const ownShare = line.part === 'cable' || line.part === 'connector' || line.part === 'label' ? shareOutside(line, paid) : 1;
    const rule: PriceRule = found.price
      ? { by: 'price-list', price: found.price }
      : { by: line.eachCents === null ? 'nothing' : 'library' };
    return made(project, {
      ...{ key: line.key, group: 'material', part: line.part, name: line.name, detail: line.detail, count: line.count },
      ...{ eachCents, costCents, priceCents: withMargin(Math.round(costCents * ownShare), marginPercent) },
      ...{ supplier: found.price?.supplier ?? '', rule, causes: line.causes },
      ...(typeof found.price?.taxPercent === 'number' ? { taxPercent: found.price.taxPercent } : {}),
      doubt: found.doubt ?? (eachCents === null ? 'price-missing' : null),
    });
  });
}

/** Share of the causes of a line that no flat price pays for. */
const shareOutside = ({ causes }: BillLine, paid: ReadonlySet<string>): number =>
  causes.length === 0 ? 1 : causes.filter(({ id }) => !paid.has(id)).length / causes.length;

function laborLines(project: ProjectDocument, { labor }: WorkOfHouse): OfferLine[] {
  const { labourRate: rate, priceSettings } = project.project;
  const hours = labor.reduce((sum, line) => sum + line.hours, 0);
  const causes = [...new Map(labor.flatMap((line) => line.causes).map((cause) => [cause.id, cause])).values()];
  const line = (part: OfferLine['part'], count: number, of: Extract<PriceRule, { hours: number }>, own: readonly BillCause[]) =>
    made(project, {
      ...{ key: `labor ${part}`, group: 'labor', part, name: part, count, eachCents: null, costCents: 0 },
      ...{ priceCents: Math.round(of.hours * rate * 100), rule: of, causes: own },
    });
  const share = (part: 'cleanup' | 'contingency', percent: number) =>
    percent > 0 && hours > 0 ? [line(part, 1, { by: 'share', percent, hours: (hours * percent) / 100, rate }, causes)] : [];
  return [
    ...labor.map((one) => line(one.kind, one.pieces, { by: 'hours', hours: one.hours, rate }, one.causes)),
    ...share('cleanup', priceSettings.cleanupPercent),
    ...share('contingency', priceSettings.contingencyPercent),
  ];
}

const flatOfferLines = (project: ProjectDocument, { flat }: WorkOfHouse): OfferLine[] =>
  flat.map(({ kind, eachCents, causes }) =>
    made(project, {
      ...{ key: `flat ${kind} ${eachCents}`, group: 'flat', part: kind, name: kind, count: causes.length },
      ...{ eachCents, costCents: 0, priceCents: eachCents * causes.length, rule: { by: 'flat' }, causes },
    }),
  );

/** Tasks that are not the client's own. */
function taskLines(project: ProjectDocument): OfferLine[] {
  const { labourRate: rate, priceSettings } = project.project;
  return listOf(project, 'siteTasks')
    .filter(({ chosenBy }) => chosenBy !== 'owner')
    .map((task) => {
      const choice = task.choices.find(({ by }) => by === task.chosenBy);
      const priceCents = choice
        ? choice.priceCents
        : withMargin(task.costCents, priceSettings.marginPercent) + Math.round(task.hours * rate * 100);
      return made(project, {
        ...{ key: `task ${task.id}`, group: 'task', part: task.kind, name: task.name, count: 1, eachCents: null },
        ...{ costCents: choice ? 0 : task.costCents, priceCents },
        rule: choice ? { by: 'performer', performer: choice.by } : { by: 'task', hours: task.hours, rate },
        causes: [{ in: 'siteTasks', id: task.id }],
      });
    });
}
