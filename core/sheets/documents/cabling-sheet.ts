import type { ProjectDocument } from '../../model/index.ts';
import { sideOfWall } from '../../devices/index.ts';
import { bothRoutes, type StubUp } from '../../pathways/index.ts';
import type { PlannedRun } from '../../runs/index.ts';
import { formatCableLength, formatThin } from '../../math/index.ts';
import type { CablingReport } from './cabling-report.ts';
import { holePlace } from './hole-sheet.ts';
import { placeText, type PlaceWords } from './place-text.ts';

export const CABLING_SECTIONS = [
  'bundles',
  'conduits',
  'spares',
  'seals',
  'screed',
  'opened',
  'surface',
  'beside',
  'supports',
] as const;
export type CablingSection = (typeof CABLING_SECTIONS)[number];

export interface CablingTable {
  readonly section: CablingSection;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** The words that the sheet needs, from the texts. */
export interface CablingWords {
  readonly kinds: Readonly<Record<string, string>>;
  readonly members: Readonly<Record<string, string>>;
  readonly sealKinds: Readonly<Record<string, string>>;
  readonly sealStates: Readonly<Record<string, string>>;
  readonly why: Readonly<Record<string, string>>;
  readonly several: string;
  readonly notKnown: string;
  readonly missing: string;
  readonly noWay: string;
  readonly unsigned: string;
  readonly signed: (by: string, on: string) => string;
  readonly place: PlaceWords;
}

const degrees = (rad: number) => `${Math.round((rad * 180) / Math.PI)}°`;
const percent = (share: number | null) => (share === null ? '' : `${Math.round(share * 100)} %`);

/** The walls that a stub-up is measured from, and how far it is from each. */
const stubUpFrom = (project: ProjectDocument, { at, fromWalls }: StubUp) =>
  fromWalls.map(({ wallId, distanceM }) => ({
    side: sideOfWall(project.walls[wallId], at),
    wallId,
    firstM: distanceM,
    lastM: distanceM,
  }));

/** What follows from the routes, for the crew, the inspector and the client; sections without rows are left out. */
export function cablingSheet(
  project: ProjectDocument,
  report: CablingReport,
  runs: readonly PlannedRun[],
  words: CablingWords,
): CablingTable[] {
  const { units, currency, construction } = project.project;
  const cable = (lengthM: number | null) => (lengthM === null ? '' : formatCableLength(lengthM, units));
  const fine = (lengthM: number | null) => (lengthM === null ? '' : formatThin(lengthM, units));
  const level = (levelId: string) => project.levels[levelId]?.name ?? '';
  const tables: CablingTable[] = [
    {
      section: 'bundles',
      columns: ['bundle', 'to', 'count', 'runs', 'head', 'shared', 'diameter', 'bit'],
      rows: report.bundles.map((one) => [
        one.code,
        project.racks[one.rackId].name,
        String(one.numbers.length),
        one.numbers.join(' '),
        one.head,
        cable(one.sharedM),
        fine(one.diameterM),
        one.bitM === null ? words.several : fine(one.bitM),
      ]),
    },
    {
      section: 'conduits',
      columns: ['what', 'level', 'inside', 'count', 'fill', 'most', 'room', 'length', 'bends', 'pull'],
      rows: report.loads.map((one) => [
        `${words.kinds[one.kind]}${one.name ? ` · ${one.name}` : ''}`,
        level(one.levelId),
        one.insideM !== null ? fine(one.insideM) : one.sidesM ? one.sidesM.map((side) => fine(side)).join(' × ') : words.notKnown,
        String(one.runs.length),
        percent(one.fill),
        percent(one.limit),
        one.roomFor === null ? '' : String(one.roomFor),
        one.pull ? cable(one.pull.lengthM) : '',
        one.pull ? degrees(one.pull.bendsRad) : '',
        one.pull && one.runs.length > 0 ? `${Math.round(one.pull.tensionN)} / ${Math.round(one.allowedN ?? 0)} N` : '',
      ]),
    },
    {
      section: 'spares',
      columns: ['what', 'state', 'size', 'length', 'bends'],
      rows: report.spares.map((one) => [
        `${words.why[one.why]}${one.name ? ` · ${one.name}` : ''}`,
        one.servedBy ?? (one.size === '' ? words.noWay : words.missing),
        one.size,
        cable(one.lengthM),
        one.bendsRad === null ? '' : degrees(one.bendsRad),
      ]),
    },
    {
      section: 'seals',
      columns: ['member', 'place', 'kind', 'assembly', 'product', 'system', 'runs', 'state'],
      rows: report.penetrations.map((one) => [
        words.members[one.member],
        `${level(one.levelId)} · ${holePlace(project, { first: { ...one, roomId: null }, last: one }, words.place)}`,
        words.sealKinds[one.kind],
        one.seal?.assembly || one.assembly,
        one.seal?.product || one.family,
        one.seal?.system ?? '',
        String(one.runs.length),
        one.seal
          ? `${words.sealStates[one.seal.state]}${one.seal.by ? ` · ${one.seal.by}` : ''}${one.seal.on ? ` · ${one.seal.on}` : ''}`
          : words.sealStates.open,
      ]),
    },
    {
      section: 'screed',
      columns: ['what', 'level', 'length', 'cover', 'ends', 'crosses', 'state'],
      rows: report.screed.map((one) => [
        one.feature.name,
        level(one.feature.levelId),
        cable(one.lengthM),
        fine(one.coverM),
        one.stubUps
          .map((end) =>
            placeText(project, { room: null, inWall: null, inWallId: null, from: stubUpFrom(project, end) }, words.place),
          )
          .join(' | '),
        one.crossings
          .map(({ featureId }) => project.features[featureId].name || words.kinds[project.features[featureId].kind])
          .join(', '),
        one.sign ? words.signed(one.sign.by, one.sign.on) : words.unsigned,
      ]),
    },
    ...(report.opened
      ? [
          {
            section: 'opened' as const,
            columns: ['openings', 'opened', 'painted', 'walls', 'ceilings'],
            rows: [
              [
                String(report.opened.openings),
                `${report.opened.openedM2.toFixed(2)} m²`,
                `${report.opened.paintedM2.toFixed(1)} m²`,
                String(report.opened.walls.length),
                report.opened.rooms.map((id) => project.rooms[id]?.name ?? '').join(', '),
              ],
            ],
          },
        ]
      : []),
    {
      section: 'surface',
      columns: ['run', 'channel', 'colour', 'corners', 'pierced', 'seen', 'priceOn', 'openings', 'painted', 'priceIn'],
      rows:
        construction === 'retrofit' || construction === 'heritage' || construction === 'slab'
          ? runs.flatMap((planned): string[][] => {
              if (planned.run.toDeviceId !== null) return [];
              const { inWall, surface } = bothRoutes(project, planned);
              if (!surface.ok && !inWall) return [];
              const on = surface.ok ? surface.value : null;
              const price = (value: number) => `${currency} ${Math.round(value)}`;
              return [
                [
                  planned.run.number,
                  on ? cable(on.channelM + on.uprightM) : words.noWay,
                  on ? project.project.channelColour : '',
                  on ? `${on.insideCorners} + ${on.outsideCorners} + ${on.flatCorners}` : '',
                  on ? String(on.wallsPierced + on.floorsPierced) : '',
                  on ? cable(on.visibleM) : '',
                  on ? price(on.price) : '',
                  inWall ? String(inWall.openings) : words.noWay,
                  inWall ? `${inWall.paintedM2.toFixed(1)} m²` : '',
                  inWall ? price(inWall.price) : '',
                ],
              ];
            })
          : [],
    },
    {
      section: 'beside',
      columns: ['run', 'mains', 'parallel', 'least', 'crossing'],
      rows: report.beside.map((one) => [
        one.number,
        one.mains,
        cable(one.parallelM),
        fine(one.leastM),
        one.crossingRad === null ? '' : degrees(one.crossingRad),
      ]),
    },
    {
      section: 'supports',
      columns: ['cable', 'count', 'stapled', 'staples', 'hung', 'hooks'],
      rows: report.supports.byCable.map((one) => [
        one.cable,
        String(one.runs),
        cable(one.stapledM),
        String(one.staples),
        cable(one.hungM),
        String(one.hooks),
      ]),
    },
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}
