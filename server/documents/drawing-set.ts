import { SYSTEMS, type DrawingPack, type ProjectDocument } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { channelCode } from '@dusky-spool/core/brief';
import { attachmentOf, levelsFromBelow } from '@dusky-spool/core/house';
import { PAPER_MM } from '@dusky-spool/core/math';
import { holeSchedule } from '@dusky-spool/core/pathways';
import { planSpoolsOf } from '@dusky-spool/core/order';
import { type PlannedRun, planRuns } from '@dusky-spool/core/runs';
import {
  bitsOf,
  cableTable,
  elevationSheets,
  holeNumberTable,
  labelsOf,
  labelTable,
  lengthTable,
  type PlanContent,
  planSheet,
  pullTable,
  rackDrawings,
  rackOpeningTable,
  riserDiagram,
  type SetTable,
  type SheetMark,
  type SheetPaper,
  sourceTable,
  tailTable,
  theatreSheet,
  theatreTables,
} from '@dusky-spool/core/sheets';
import { CAUTIONS, en, words } from '@dusky-spool/texts';
import { drawCover } from './cover-pdf.ts';
import { drawRack, rackFieldMm } from './head-end-pdf.ts';
import { POINTS_PER_MM } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { drawPlan, drawSheetNumber, type PlanTitle } from './plan-pdf.ts';
import { SHEETS, withLowered } from './sheets.ts';
import { drawPageNumber, drawTables, type SheetTable, type TablesSheet } from './tables-pdf.ts';
import { THEATRE_WORDS } from './theatre-words.ts';
import { drawTheatre } from './theatre-pdf.ts';
import { drawView } from './view-pdf.ts';

/** Kinds of sheets in a set. */
type SetPart =
  | 'plans'
  | 'systems'
  | 'ceilings'
  | 'elevations'
  | 'riser'
  | 'holes'
  | 'conduits'
  | 'theatres'
  | 'racks'
  | 'cables'
  | 'plates'
  | 'framer'
  | 'electrician'
  | 'joiner'
  | 'finisher'
  | 'site'
  | 'pulls'
  | 'labels'
  | 'calculations'
  | 'checks'
  | 'safety';

/** What each person gets, and nothing else. */
const PACKS: Readonly<Record<DrawingPack, readonly SetPart[]>> = {
  all: [
    ...(['plans', 'systems', 'ceilings', 'elevations', 'riser', 'holes', 'conduits', 'theatres', 'racks', 'cables'] as const),
    ...(['plates', 'framer', 'electrician', 'joiner', 'finisher', 'site', 'pulls', 'labels'] as const),
    ...(['calculations', 'checks', 'safety'] as const),
  ],
  crew: [
    'plans',
    'systems',
    'ceilings',
    'elevations',
    'holes',
    'conduits',
    'racks',
    'cables',
    'plates',
    'pulls',
    'labels',
    'safety',
  ],
  electrician: ['plans', 'elevations', 'electrician', 'racks', 'plates', 'safety'],
  framer: ['plans', 'framer', 'holes', 'safety'],
  joiner: ['plans', 'elevations', 'joiner'],
  finisher: ['plans', 'elevations', 'finisher', 'safety'],
  'remote-electrician': [
    ...(['plans', 'systems', 'ceilings', 'elevations', 'riser', 'holes', 'conduits', 'racks', 'cables', 'plates'] as const),
    ...(['electrician', 'site', 'pulls', 'labels', 'calculations', 'safety'] as const),
  ],
  inspector: ['plans', 'riser', 'holes', 'cables', 'checks', 'calculations', 'safety'],
  client: ['plans', 'ceilings', 'elevations', 'theatres'],
};

export interface DrawingSetQuery {
  readonly pack: DrawingPack;
  readonly paper: SheetPaper;
  readonly preview: 'yes' | 'no';
}

export interface DrawingSetSource {
  readonly project: ProjectDocument;
  readonly revision: number;
  readonly today: string;
  readonly progress: (share: number) => void;
}

/** Tables stand on paper that can be read in the hand, also where plans are larger. */
const tablePaper = (paper: SheetPaper): 'A4' | 'A3' | 'Letter' | 'Tabloid' =>
  paper === 'A4' || paper === 'Letter' ? paper : paper === 'Tabloid' || paper === 'ArchD' ? 'Tabloid' : 'A3';

const sideways = (paper: SheetPaper): [number, number] => {
  const [height, width] = PAPER_MM[paper];
  return [width * POINTS_PER_MM, height * POINTS_PER_MM];
};

/** How a page gets its number among all: in the title block, or at its foot. */
interface PageOfSet {
  readonly size: readonly [number, number];
  readonly block: Parameters<typeof drawSheetNumber>[1] | null;
}

/** The set on its way: pages with how they are numbered, and what begins on which page. */
class SetWriter {
  readonly pages: PageOfSet[] = [];
  readonly index: { readonly name: string; readonly page: number }[] = [];

  constructor(
    readonly pdf: PDFKit.PDFDocument,
    private readonly addPage: (size?: readonly [number, number]) => void,
    readonly source: DrawingSetSource,
    readonly paper: SheetPaper,
  ) {}

  title(level = ''): PlanTitle {
    const { project, revision, today } = this.source;
    return { project: project.project, level, revision, date: today };
  }

  open(size: readonly [number, number], block: PageOfSet['block'] = null): void {
    if (this.pages.length > 0) this.addPage(size);
    this.pages.push({ size, block });
  }

  begin(name: string, size: readonly [number, number], block: PageOfSet['block'] = null): void {
    this.open(size, block);
    this.index.push({ name, page: this.pages.length });
  }

  /** Tables under one name, on as many pages as they take; none where they are empty. */
  tables(name: string, sheet: TablesSheet, all: readonly SheetTable[]): void {
    const tables = all.filter(({ rows }) => rows.length > 0);
    if (tables.length === 0) return;
    const size = sideways(tablePaper(this.paper));
    this.begin(name, size);
    drawTables({ pdf: this.pdf, addPage: () => this.open(size), sheet, tables, title: this.title(), size });
  }

  setTables(name: string, ...tables: readonly SetTable[]): void {
    this.tables(name, 'set', tables);
  }
}

type Draw = (set: SetWriter, runs: readonly PlannedRun[]) => void;
const named = (part: SetPart, level?: string) => {
  const name = words.t(`documents.set.parts.${part}`);
  return level === undefined ? name : `${name} · ${level}`;
};

/** A plan of each level with what it shows; levels where it would show nothing have none. */
function drawPlans(
  set: SetWriter,
  runs: readonly PlannedRun[],
  nameOf: (level: string) => string,
  contentOf: (levelId: string) => PlanContent | null,
): void {
  const { project } = set.source;
  for (const { id, name } of levelsFromBelow(project)) {
    const content = onLevel(project, 'walls', id).length > 0 ? contentOf(id) : null;
    const sheet = content && planSheet(project, id, set.paper, runs, content);
    if (!sheet?.ok) continue;
    set.begin(nameOf(name), sideways(set.paper), sheet.value);
    drawPlan(set.pdf, sheet.value, set.title(name), { heading: nameOf(name), isNumberedLater: true });
  }
}

const DRAW: Readonly<Record<SetPart, Draw>> = {
  plans: (set, runs) =>
    drawPlans(
      set,
      runs,
      (level) => named('plans', level),
      () => ({}),
    ),
  systems: (set, runs) => {
    const { project } = set.source;
    for (const system of SYSTEMS) {
      const shows: PlanContent['shows'] = ({ typeId }) => project.deviceTypes[typeId].system === system;
      const name = words.t(`terms.systems.${system}`);
      drawPlans(
        set,
        runs,
        (level) => `${name} · ${level}`,
        (levelId) => (onLevel(project, 'devices', levelId).some(shows) ? { shows } : null),
      );
    }
  },
  ceilings: (set, runs) => {
    const { project } = set.source;
    const shows: PlanContent['shows'] = ({ typeId }) => attachmentOf(project.deviceTypes[typeId]) === 'ceiling';
    drawPlans(
      set,
      runs,
      (level) => named('ceilings', level),
      (levelId) => (onLevel(project, 'devices', levelId).some(shows) ? { shows } : null),
    );
  },
  elevations: (set) =>
    elevationSheets(set.source.project, set.paper).forEach((sheet, n) => {
      const name = `${named('elevations')} ${n + 1}`;
      set.begin(name, sideways(set.paper), sheet);
      drawView(set.pdf, sheet, set.title(), { heading: name, aid: words.t('documents.aid') });
    }),
  riser: (set, runs) => {
    const sheet = riserDiagram(set.source.project, runs, set.paper, {
      devices: (count) => words.t('documents.set.devices', { count }),
      outdoors: en.terms.outdoors,
    });
    if (!sheet) return;
    set.begin(named('riser'), sideways(set.paper), sheet);
    drawView(set.pdf, sheet, set.title(), { heading: named('riser'), aid: words.t('documents.aid') });
  },
  holes: (set, runs) => {
    const { project } = set.source;
    const places = holeSchedule(project, runs);
    const marks = (levelId: string): SheetMark[] =>
      places.flatMap(({ levelId: own, at }, n): SheetMark[] =>
        own === levelId ? [{ kind: 'hole', at: [at[0], at[1]], number: String(n + 1) }] : [],
      );
    drawPlans(
      set,
      runs,
      (level) => named('holes', level),
      (levelId) => {
        const extra = marks(levelId);
        return extra.length > 0 ? { shows: () => false, extra } : null;
      },
    );
    set.setTables(named('holes'), holeNumberTable(project, places, { members: en.terms.members, bits: bitsOf }));
    set.tables(words.t('documents.holes.title'), 'holes', SHEETS['hole-list'].tablesOf(project));
  },
  conduits: (set, runs) => {
    const { project } = set.source;
    drawPlans(
      set,
      runs,
      (level) => named('conduits', level),
      (levelId) => {
        const extra = onLevel(project, 'features', levelId).flatMap(({ kind, points, insideDiameterM, name }): SheetMark[] =>
          kind === 'conduit' && points.length > 1
            ? [
                {
                  ...{ kind: 'conduit', points: points as [number, number][] },
                  text: [name, insideDiameterM === null ? '' : `${Math.round(insideDiameterM * 1000)} mm`]
                    .filter(Boolean)
                    .join(' '),
                },
              ]
            : [],
        );
        return extra.length > 0 ? { shows: () => false, extra } : null;
      },
    );
  },
  theatres: (set) => {
    const { project } = set.source;
    for (const roomId of new Set(Object.values(project.theatres).map((theatre) => theatre.roomId))) {
      const sheet = theatreSheet(project, roomId, set.paper, channelCode);
      if (!sheet.ok) continue;
      const title = set.title(project.rooms[roomId].name);
      set.begin(named('theatres', title.level), sideways(set.paper), sheet.value);
      drawTheatre(set.pdf, sheet.value, title);
      set.tables(`${named('theatres', title.level)}, ${words.t('documents.set.tables')}`, 'theatre', [
        ...theatreTables(project, roomId, THEATRE_WORDS),
      ]);
    }
  },
  racks: (set) => {
    const { project } = set.source;
    const paper = set.source.project.project.units === 'imperial' ? 'Letter' : 'A4';
    for (const drawing of rackDrawings(project, rackFieldMm(paper))) {
      set.begin(named('racks', drawing.name), sideways(paper));
      drawRack(set.pdf, drawing, set.title(), paper);
    }
    set.tables(words.t('documents.headEnd.title'), 'headEnd', SHEETS['head-end'].tablesOf(project));
  },
  cables: (set, runs) => set.setTables(named('cables'), cableTable(set.source.project, runs)),
  plates: (set) => set.tables(named('plates'), 'plates', SHEETS['plate-schedule'].tablesOf(set.source.project)),
  framer: (set) => {
    trades(set, 'framer', ['blocking']);
    set.setTables(words.t('documents.set.sections.rackOpenings'), rackOpeningTable(set.source.project));
  },
  electrician: (set) => trades(set, 'electrician', ['outlets', 'links', 'leads']),
  joiner: (set) => trades(set, 'joiner', ['joinery', 'looks']),
  finisher: (set, runs) => {
    trades(set, 'finisher', ['looks']);
    set.setTables(words.t('documents.set.sections.tails'), tailTable(set.source.project, runs, { outdoors: en.terms.outdoors }));
  },
  site: (set) => set.tables(named('site'), 'site', SHEETS['site-sheet'].tablesOf(set.source.project)),
  pulls: (set) => set.setTables(named('pulls'), pullTable(set.source.project, planSpoolsOf(set.source.project))),
  labels: (set, runs) => set.setTables(named('labels'), labelTable(labelsOf(set.source.project, runs, en.terms))),
  calculations: (set, runs) => set.setTables(named('calculations'), lengthTable(set.source.project, runs), sourceTable()),
  checks: (set) => {
    const { project, today } = set.source;
    set.tables(named('checks'), 'checks', withLowered(project, SHEETS.checks.tablesOf(project, today)));
  },
  safety: (set) =>
    set.setTables(named('safety'), {
      ...{ section: 'safety', columns: ['number', 'caution'] },
      rows: Object.entries(CAUTIONS).map(([id, caution]) => [id, caution]),
    }),
};

function trades(set: SetWriter, part: SetPart, sections: readonly string[]): void {
  const { project } = set.source;
  const tables = SHEETS['trades-sheet'].tablesOf(project).filter(({ section }) => sections.includes(section));
  set.tables(named(part), 'trades', withLowered(project, tables));
}

/** A drawing set as one PDF: cover with index, then the sheets of a pack; `preview` is the cover and the first plans alone. */
export function drawingSet(source: DrawingSetSource, { pack, paper, preview }: DrawingSetQuery): Promise<Buffer> {
  const runs = planRuns(source.project);
  source.progress(0.2);
  const parts = preview === 'yes' ? (['plans'] as const) : PACKS[pack];
  let set: SetWriter | null = null;
  return pdfBuffer(
    sideways(paper),
    { Title: `${source.project.project.name}, ${words.t('documents.set.title')}` },
    (pdf, addPage) => {
      set = new SetWriter(pdf, addPage, source, paper);
      set.open(sideways(paper));
      parts.forEach((part, n) => {
        DRAW[part](set!, runs);
        source.progress(0.2 + (0.7 * (n + 1)) / parts.length);
      });
    },
    (pdf, page, pages) => {
      // A page that the writer of PDFs began by itself, in the midst of a text, is numbered at its foot.
      const { size, block } = set!.pages[page - 1] ?? { size: [pdf.page.width, pdf.page.height] as const, block: null };
      if (page === 1) drawCover(pdf, size, set!.title(), { pack, index: set!.index, pages });
      else if (block) drawSheetNumber(pdf, block, page, pages);
      else drawPageNumber(pdf, size, page, pages);
    },
  );
}
