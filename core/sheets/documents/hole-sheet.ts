import { tapePlace } from '../../devices/index.ts';
import { listOf } from '../../derive/index.ts';
import { riserAt } from '../../house/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { formatLengthFine } from '../../math/index.ts';
import { type BoredLine, boredLines, type BoredPlace, holeTotals } from '../../pathways/index.ts';
import { placeText, type PlaceWords } from './place-text.ts';

export type HoleColumn = 'member' | 'place' | 'bit' | 'count' | 'cables' | 'nailPlates' | 'who';

export interface HoleTable {
  readonly section: 'asked' | 'bored' | 'totals';
  readonly columns: readonly (HoleColumn | 'holes' | 'places')[];
  readonly rows: readonly (readonly string[])[];
}

/** The words that the sheet needs, from the texts. */
export interface HoleWords {
  readonly members: Readonly<Record<string, string>>;
  readonly asks: Readonly<Record<string, string>>;
  readonly crew: string;
  readonly bothFaces: string;
  readonly none: string;
  readonly open: string;
  readonly place: PlaceWords;
  readonly more: (count: number) => string;
}

/** Runs that are told of an ordinary hole. */
const MAX_RUNS = 6;

/** `2 × 25 mm + 16 mm`: how many holes of which bit; empty where none is allowed. */
export function bitsOf({ holes }: BoredPlace): string {
  const count = new Map<number, number>();
  for (const { bitM } of holes) count.set(bitM, (count.get(bitM) ?? 0) + 1);
  return [...count].map(([bitM, n]) => `${n > 1 ? `${n} × ` : ''}${Math.round(bitM * 1000)} mm`).join(' + ');
}

type PlaceOf = Pick<BoredPlace, 'at' | 'roomId' | 'wallId' | 'levelId'>;

/** Where a line of places is, as a crew finds it with a tape: the room or its wall, how far from which walls, and how high. */
export function holePlace(
  project: ProjectDocument,
  { first, last }: { readonly first: PlaceOf; readonly last: Pick<PlaceOf, 'at'> },
  words: PlaceWords,
): string {
  const { units } = project.project;
  const told = placeText(project, tapePlace(project, first, last.at), words);
  const isUpright = first.wallId !== null && first.at.length > 2;
  const aboveM = first.at[2] - project.levels[first.levelId].elevationM;
  return isUpright && aboveM > 0 ? `${told}, ${words.above(formatLengthFine(aboveM, units))}` : told;
}

/** The runs through a place: all of them where others decide on it, since a penetration is approved for what goes through it. */
function runsThrough({ runs, ask }: BoredPlace, words: HoleWords): string {
  if (ask !== null || runs.length <= MAX_RUNS) return runs.join(' ');
  return `${runs.slice(0, MAX_RUNS).join(' ')} ${words.more(runs.length - MAX_RUNS)}`;
}

/** The name of the riser that a floor is bored in, before its place. */
function riserName(project: ProjectDocument, { member, at }: BoredPlace): string {
  const riser = member === 'floor' ? riserAt(listOf(project, 'risers'), at) : undefined;
  return riser ? `${riser.name}, ` : '';
}

/** The holes of a house for the crew: first those that others decide on, then all others level by level, then their sums. */
export function holeSheet(project: ProjectDocument, places: readonly BoredPlace[], words: HoleWords): HoleTable[] {
  const rowOf = (line: BoredLine) => {
    const place = line.first;
    return [
      line.count > 1 ? `${line.count} × ${words.members[place.member]}` : words.members[place.member],
      `${project.levels[place.levelId].name} · ${riserName(project, place)}${holePlace(project, line, words.place)}`,
      bitsOf(place) || (place.member === 'floor' ? words.open : words.none),
      String(place.runs.length),
      runsThrough(place, words),
      place.nailPlates ? words.bothFaces : '',
      place.ask ? words.asks[place.ask] : words.crew,
    ];
  };
  const lines = boredLines(places);
  const columns: HoleTable['columns'] = ['member', 'place', 'bit', 'count', 'cables', 'nailPlates', 'who'];
  const tables: HoleTable[] = [
    { section: 'asked', columns, rows: lines.filter(({ first }) => first.ask !== null).map(rowOf) },
    { section: 'bored', columns, rows: lines.filter(({ first }) => first.ask === null).map(rowOf) },
    {
      section: 'totals',
      columns: ['member', 'places', 'holes'],
      rows: holeTotals(places).map(({ member, places: at, holes }) => [words.members[member], String(at), String(holes)]),
    },
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}
