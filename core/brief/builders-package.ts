import type { BriefCell, BriefTopic, PackageLine, PackagePart, Party, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { placeFields, placeIdOf, placesOf } from './places.ts';
import { typesFor } from './topics.ts';

/** One place, topic and part, wanted against what the builder includes. Place empty is the whole house. */
export interface PackageDifference {
  readonly placeId: string;
  readonly topic: BriefTopic;
  /** `all` where no part differs from another. */
  readonly part: PackagePart;
  readonly wanted: number;
  readonly included: number;
}

/** Work on what the package holds that the builder does not do. */
export interface PackageWork {
  readonly line: PackageLine;
  readonly task: 'supply' | 'fit' | 'program';
  readonly by: Party;
}

export interface PackageComparison {
  /** Wanted or prepared, and not (or not enough) in the package. */
  readonly missing: readonly PackageDifference[];
  /** In the package, and not asked for in that place. */
  readonly beyond: readonly PackageDifference[];
  /** Lines whose things somebody else supplies, fits or programs: the integrator's work, or nobody's yet. */
  readonly work: readonly PackageWork[];
  /** Lines that name no topic: somebody must say what they mean. */
  readonly unclear: readonly PackageLine[];
}

type Part = Exclude<PackagePart, 'all'>;
const PARTS: readonly Part[] = ['cable', 'box', 'plate', 'device', 'power'];
/** What is fitted without a program. */
const NOT_PROGRAMMED: ReadonlySet<BriefTopic | null> = new Set([null, 'coax', 'charging']);

/** Parts that an answer needs: a prepared one no plate and no device yet; power where the device is fed from an outlet. */
function partsOf(
  project: ProjectDocument,
  { topic, answer, typeId }: Pick<BriefCell, 'topic' | 'answer' | 'typeId'>,
): readonly Part[] {
  const type = typeId === null ? typesFor(project, topic)[0] : project.deviceTypes[typeId];
  const isPrepared = answer === 'prepared';
  return PARTS.filter((part) => {
    if (part === 'plate' || part === 'device') return !isPrepared;
    if (part === 'cable') return !type || type.cables.length > 0;
    if (part === 'box') return !type || type.boxKind !== 'none';
    return type !== undefined && (type.mainsW ?? 0) > 0;
  });
}

/**
 * The builder's package against the brief, part by part (practice C22). A line for all parts counts for each of them; lines for the whole
 * house count where a place has none of its own.
 */
export function comparePackage(project: ProjectDocument): PackageComparison {
  const lines = listOf(project, 'packageLines');
  // A complete thing has the parts that its kind needs.
  const usualParts = (topic: BriefTopic) => partsOf(project, { topic, answer: 'wanted', typeId: null });
  const stock = stockOf(lines, usualParts);
  const missing: PackageDifference[] = [];
  const beyond: PackageDifference[] = [];
  const seen = new Set<string>();
  for (const cell of listOf(project, 'briefCells')) {
    const place = { placeId: placeIdOf(cell), topic: cell.topic };
    const key = `${place.placeId}/${cell.topic}`;
    seen.add(key);
    const isAsked = cell.answer === 'wanted' || cell.answer === 'prepared' || (cell.answer === 'later' && cell.preWired);
    const needed = isAsked ? partsOf(project, cell.answer === 'later' ? { ...cell, answer: 'prepared' } : cell) : [];
    const compared = PARTS.map((part) => {
      const wanted = needed.includes(part) ? cell.count : 0;
      return { part, wanted, included: stock.take(key, cell.topic, part, wanted), isNeeded: needed.includes(part) };
    });
    const short = compared.filter(({ isNeeded, wanted, included }) => isNeeded && included < wanted);
    const over = compared.filter(({ wanted, included, isNeeded }) => included > wanted && (isNeeded || needed.length === 0));
    missing.push(...merged(place, short, needed));
    beyond.push(...merged(place, over, needed.length > 0 ? needed : PARTS));
  }
  for (const [key, topic] of stock.places()) {
    if (seen.has(key)) continue;
    const left = PARTS.map((part) => ({ part, wanted: 0, included: stock.take(key, topic, part, 0) }));
    beyond.push(
      ...merged(
        { placeId: key.slice(0, key.lastIndexOf('/')), topic },
        left.filter(({ included }) => included > 0),
        PARTS,
      ),
    );
  }
  for (const [topic, left] of stock.leftInHouse()) {
    beyond.push(...merged({ placeId: '', topic }, left, usualParts(topic)));
  }
  return { missing, beyond, work: lines.flatMap(workOf), unclear: lines.filter((line) => line.topic === null) };
}

type Compared = Pick<PackageDifference, 'wanted' | 'included'> & { readonly part: Part };

/** One difference for all parts where they are alike, else one for each part. */
function merged(
  place: Pick<PackageDifference, 'placeId' | 'topic'>,
  parts: readonly Compared[],
  all: readonly Part[],
): PackageDifference[] {
  if (parts.length === 0) return [];
  const [{ wanted, included }] = parts;
  const isAlike = parts.length >= all.length && parts.every((one) => one.wanted === wanted && one.included === included);
  if (isAlike) return [{ ...place, part: 'all', wanted, included }];
  return parts.map((one) => ({ ...place, part: one.part, wanted: one.wanted, included: one.included }));
}

/** What the package holds of each part, by place and for the whole house. */
function stockOf(lines: readonly PackageLine[], usualParts: (topic: BriefTopic) => readonly Part[]) {
  /** Parts that a complete thing of the whole house may have and need not. */
  const implied = new Set<string>();
  const inPlace = new Map<string, BriefTopic>();
  const ofPlace = new Map<string, number>();
  const ofHouse = new Map<string, number>();
  for (const line of lines) {
    if (line.topic === null) continue;
    const placeId = placeIdOf(line);
    if (placeId !== '') inPlace.set(`${placeId}/${line.topic}`, line.topic);
    for (const part of line.part === 'all' ? PARTS : [line.part]) {
      const [table, key] = placeId === '' ? [ofHouse, `${line.topic}/${part}`] : [ofPlace, `${placeId}/${line.topic}/${part}`];
      if (line.part === 'all' && !usualParts(line.topic).includes(part) && !table.has(key)) implied.add(key);
      if (line.part !== 'all') implied.delete(key);
      table.set(key, (table.get(key) ?? 0) + line.count);
    }
  }
  return {
    /** What a place has of a part; where that is not enough, from the lines for the whole house. */
    take(place: string, topic: BriefTopic, part: Part, wanted: number): number {
      const own = ofPlace.get(`${place}/${part}`) ?? 0;
      const pool = ofHouse.get(`${topic}/${part}`) ?? 0;
      const taken = Math.max(0, Math.min(pool, wanted - own));
      if (taken > 0) ofHouse.set(`${topic}/${part}`, pool - taken);
      return own + taken;
    },
    places: () => [...inPlace],
    leftInHouse(): [BriefTopic, Compared[]][] {
      const byTopic = new Map<BriefTopic, Compared[]>();
      for (const [key, included] of ofHouse) {
        const [topic, part] = key.split('/') as [BriefTopic, Part];
        if (included > 0 && !implied.has(key)) byTopic.set(topic, [...(byTopic.get(topic) ?? []), { part, wanted: 0, included }]);
      }
      return [...byTopic];
    },
  };
}

/** What is left to do on a line: power is the electrician's, and only devices are programmed. */
function workOf(line: PackageLine): PackageWork[] {
  const isDevice = line.part === 'all' || line.part === 'device';
  const tasks: [PackageWork['task'], Party][] = [
    ['supply', line.suppliedBy],
    ['fit', line.fittedBy],
    ...(isDevice && !NOT_PROGRAMMED.has(line.topic) ? [['program', line.programmedBy] as [PackageWork['task'], Party]] : []),
  ];
  return tasks.flatMap(([task, by]) => (by === 'integrator' || by === 'nobody' ? [{ line, task, by }] : []));
}

/** Words by which a line of a package is taken for a topic; the user corrects what is taken wrongly. */
const WORDS: readonly (readonly [BriefTopic, RegExp])[] = [
  ['vehicle', /\b(?:ev|vehicle|car) ?charg/i],
  ['generator', /generator/i],
  ['solar', /solar|photovolt|\bpv\b/i],
  ['heating', /(?:patio|outdoor|terrace|radiant) heat/i],
  ['surround', /surround|theat|cinema|sound ?bar/i],
  ['sound', /speaker|audio|music/i],
  ['display', /\btvs?\b|televis|display|screen|projector/i],
  ['wifi', /wi-?fi|wireless|access point/i],
  ['network', /network|data|cat ?6|ethernet|internet|phone/i],
  ['camera', /camera|cctv/i],
  ['door', /bell|intercom|door station|entry/i],
  ['security', /alarm|security|contact|motion|detector/i],
  ['shade', /shade|blind|curtain/i],
  ['light', /light|dimm|led/i],
  ['climate', /thermostat|heating|cooling|climate/i],
  ['keypad', /keypad|touch|switch|control/i],
  ['charging', /charg|usb/i],
  ['coax', /coax|aerial|antenna|satellite|cable tv/i],
];
const PART_WORDS: readonly (readonly [Part, RegExp])[] = [
  ['cable', /pre-?wir|provision|cabling|\b(?:wires?|cables?)\b(?! tv)|wiring/i],
  ['plate', /\bplates?\b/i],
  ['box', /\b(?:back ?)?box(?:es)?\b|\brings?\b|bracket/i],
  ['power', /\bpower\b|mains|receptacle/i],
  ['device', /\b(?:devices?|units?)\b|supply only/i],
];
const BY_OTHERS =
  /(?:supplied|provided|furnished) by (?:others|owner|client)|owner[- ]supplied|fit(?:ting)? only|install(?:ation)? only/i;
const SUPPLY_ONLY = /supply only|not (?:installed|fitted)|(?:fitted|installed) by (?:others|owner|client)/i;
const PROGRAMMED = /(?:incl(?:uding|\.)?|with|and) program|programmed/i;

/** Reads a package as it is sent: one line each, `2 x ...` gives the count, the name of a room or area its place, words the part and who. */
export function readPackage(project: ProjectDocument, text: string, newId: () => string): PackageLine[] {
  const places = placesOf(project).toSorted((a, b) => b.name.length - a.name.length);
  return text.split(/\r?\n/).flatMap((raw) => {
    const words = raw
      .replace(/^[\s\-*•]+/, '')
      .trim()
      .slice(0, 200);
    if (words === '') return [];
    const count = /(?:^|\s)(\d{1,3})\s*(?:x|×|pcs?\b|no\b|off\b)?\s/i.exec(`${words} `);
    const place = places.find(({ name }) => words.toLowerCase().includes(name.toLowerCase()));
    const plain = place ? words.toLowerCase().replace(place.name.toLowerCase(), '') : words;
    const topic = WORDS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
    return [
      {
        id: newId(),
        ...placeFields(project, place?.id ?? null),
        topic,
        count: count ? Number(count[1]) : 1,
        part: PART_WORDS.find(([, pattern]) => pattern.test(plain))?.[0] ?? 'all',
        suppliedBy: BY_OTHERS.test(plain) ? 'other' : 'builder',
        fittedBy: SUPPLY_ONLY.test(plain) ? 'nobody' : 'builder',
        programmedBy: PROGRAMMED.test(plain) ? 'builder' : 'nobody',
        words,
      },
    ];
  });
}
