import type { Feature, ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { buildingOf, featureMake, fromTwoCorners, heightsOf, nearestWall, roomAt, TAPED_KINDS } from '../../house/index.ts';
import { correctionsOf } from '../../survey/index.ts';
import { formatLength, formatLengthFine } from '../../math/index.ts';
import { tapePlace } from '../../devices/index.ts';
import { placeText, type PlaceWords } from './place-text.ts';

export const SITE_SECTIONS = ['corrections', 'outdoors', 'found'] as const;
export type SiteSection = (typeof SITE_SECTIONS)[number];

/** A table of the sheet that goes to site: rows of finished words, one for each column title. */
export interface SiteTable {
  readonly section: SiteSection;
  readonly columns: readonly SiteColumn[];
  readonly rows: readonly (readonly string[])[];
}

export type SiteColumn =
  | 'trade'
  | 'what'
  | 'place'
  | 'height'
  | 'answer'
  | 'moveBy'
  | 'alongWall'
  | 'firstTape'
  | 'secondTape'
  | 'fromSubfloor'
  | 'decision'
  | 'state'
  | 'note';

/** The words that the sheet needs, from the texts. */
export interface SiteWords {
  readonly features: Readonly<Record<string, string>>;
  readonly decisions: Readonly<Record<string, string>>;
  readonly edges: Readonly<Record<string, string>>;
  readonly substrates: Readonly<Record<string, string>>;
  readonly conditions: Readonly<Record<string, string>>;
  readonly neutrals: Readonly<Record<string, string>>;
  readonly tests: Readonly<Record<string, string>>;
  readonly place: PlaceWords;
  readonly below: (depth: string) => string;
  /** "corner {{name}}". */
  readonly corner: (name: string) => string;
}

/** What is this near to the center line of a wall is in it or on it, m. */
const IN_WALL_M = 0.25;

/**
 * What goes back to the other trades and out to the crew: their marks with our answers, outdoor points from two corners,
 * and what was found with what becomes of it. Tables without rows are left out.
 */
export function siteSheet(project: ProjectDocument, words: SiteWords): SiteTable[] {
  const { units } = project.project;
  const length = (valueM: number | null) => (valueM === null ? '' : formatLengthFine(valueM, units));
  /** A height above the subfloor; what is lower says so. */
  const fromSubfloor = (valueM: number) => (valueM < 0 ? words.below(length(-valueM)) : length(valueM));
  const building = buildingOf(project);
  /** The level and the room, and how far from which walls; outdoors the level alone. */
  const placeOf = ({ levelId, points }: Feature) => {
    const [at] = points;
    const room = roomAt(building, levelId, at);
    const on = nearestWall(building, levelId, at, IN_WALL_M)?.wall;
    const place = { levelId, roomId: room?.id ?? null, wallId: on?.id ?? null, at };
    return [project.levels[levelId].name, room && placeText(project, tapePlace(project, place), words.place)]
      .filter(Boolean)
      .join(' · ');
  };
  const nameOf = ({ name, kind }: Feature) => name || words.features[kind];
  const features = listOf(project, 'features');

  const corrections = correctionsOf(project).map((row) => [
    row.owner,
    row.name || words.features['trade-mark'],
    placeOf(project.features[row.id]),
    `${length(row.heightM)} ${words.edges[row.edge]}`,
    words.decisions[row.answer],
    row.movedM > 0 ? formatLength(row.movedM, units) : '',
    row.answer === 'strike' || row.alongWallM === null ? '' : formatLength(row.alongWallM, units),
    row.note,
  ]);
  const outdoors = features
    .filter(({ kind }) => TAPED_KINDS.has(kind))
    .filter(({ levelId, points }) => !roomAt(building, levelId, points[0]))
    .map((feature) => {
      const tapes = fromTwoCorners(project, feature.levelId, feature.points[0]);
      const tape = (i: 0 | 1) =>
        tapes ? `${formatLength(tapes.distancesM[i], units)}  ${words.corner(tapes.corners[i].name)}` : '';
      const heights = heightsOf(project.levels[feature.levelId], null, feature.bottomM);
      return [
        nameOf(feature),
        placeOf(feature),
        tape(0),
        tape(1),
        fromSubfloor(heights.fromSubfloorM),
        feature.note || feature.contents,
      ];
    });
  const found = features
    .filter(({ kind }) => featureMake(kind).group === 'existing')
    .map((feature) => [
      nameOf(feature),
      placeOf(feature),
      `${length(feature.bottomM)} ${words.edges.lower}`,
      words.decisions[feature.decision ?? 'open'],
      stateOf(feature, words),
      [feature.contents, feature.note].filter(Boolean).join(' · '),
    ]);
  const tables: SiteTable[] = [
    {
      section: 'corrections',
      columns: ['trade', 'what', 'place', 'height', 'answer', 'moveBy', 'alongWall', 'note'],
      rows: corrections,
    },
    { section: 'outdoors', columns: ['what', 'place', 'firstTape', 'secondTape', 'fromSubfloor', 'note'], rows: outdoors },
    { section: 'found', columns: ['what', 'place', 'height', 'decision', 'state', 'note'], rows: found },
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}

const stateOf = ({ condition, substrate, neutral, partners, tested }: Feature, words: SiteWords): string =>
  [
    condition && words.conditions[condition],
    substrate && words.substrates[substrate],
    neutral && words.neutrals[neutral],
    partners,
    tested && words.tests[tested],
  ]
    .filter(Boolean)
    .join(', ');
