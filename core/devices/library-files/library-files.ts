import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { err, ok, type Outcome, type Problem } from '../../math/index.ts';
import { deviceType, type DeviceType, problemOfIssue, type ProjectDocument } from '../../model/index.ts';
import { checkRecipe } from '../placing/index.ts';
import { TYPE_DEFAULTS } from '../library/index.ts';

export const LIBRARY_FORMAT = 'dusky-spool-library';
const MAX_TEXT = 8 * 1024 * 1024;
const MAX_ROWS = 5000;

/** A row of a file that cannot be taken: its number as a spreadsheet counts, and what is wrong. */
export interface RowProblem {
  readonly row: number;
  readonly problem: Problem;
}

export interface LibraryFile {
  readonly types: readonly DeviceType[];
  readonly problems: readonly RowProblem[];
}

type Cell = string;
type Draft = Record<string, unknown>;

/** One column of the CSV: how it is written, and how it is put into a draft of the record. */
interface Column {
  readonly name: string;
  readonly required?: boolean;
  readonly write: (type: DeviceType) => string | number;
  readonly read: (draft: Draft, cell: Cell) => void;
}

class BadCell extends Error {
  constructor(readonly reason: string) {
    super(reason);
  }
}

const number = (cell: Cell): number => {
  const value = Number(cell.replace(',', '.'));
  if (cell.trim() === '' || !Number.isFinite(value)) throw new BadCell(`"${cell.slice(0, 40)}" is not a number`);
  return value;
};
const tidy = (value: number) => Math.round(value * 1e6) / 1e6;
const words = (name: keyof DeviceType, required = false): Column => ({
  name,
  required,
  write: (type) => String(type[name] ?? ''),
  read: (draft, cell) => {
    draft[name] = cell;
  },
});
const choice = (name: keyof DeviceType, required = false): Column => ({
  ...words(name, required),
  read: (draft, cell) => {
    if (cell !== '') draft[name] = cell;
  },
});
const figure = (name: keyof DeviceType): Column => ({
  name,
  write: (type) => (type[name] === null ? '' : tidy(type[name] as number)),
  read: (draft, cell) => {
    if (cell !== '') draft[name] = number(cell);
  },
});
const degrees = (name: 'coverageRad', title: string): Column => ({
  name: title,
  write: (type) => (type[name] === null ? '' : tidy((type[name] * 180) / Math.PI)),
  read: (draft, cell) => {
    if (cell !== '') draft[name] = (number(cell) * Math.PI) / 180;
  },
});
/** Two columns that make a pair of lengths; one without the other contradicts itself. */
const pair = (field: 'sizeM' | 'frameM' | 'holePatternM', names: readonly [string, string], required = false): Column[] =>
  names.map((name, i) => ({
    name,
    required,
    write: (type) => (type[field] === null ? '' : tidy(type[field][i])),
    read: (draft, cell) => {
      if (cell === '') return;
      const known = (draft[field] as (number | null)[] | undefined) ?? [null, null];
      draft[field] = known.map((value, k) => (k === i ? number(cell) : value));
    },
  }));
const list = (name: 'ports' | 'cables', write: (type: DeviceType) => string, read: (part: string) => object): Column => ({
  name,
  write,
  read: (draft, cell) => {
    draft[name] = cell
      .split(';')
      .map((part) => part.trim())
      .filter(Boolean)
      .map(read);
  },
});
const parts = (cell: string, count: number, what: string): string[] => {
  const found = cell.split('|').map((part) => part.trim());
  if (found.length !== count) throw new BadCell(`"${cell.slice(0, 60)}" does not have ${count} parts (${what})`);
  return found;
};

const LENS_FIELDS = ['throwMin', 'throwMax', 'shiftUp', 'shiftAside', 'shiftShape', 'lumens', 'isUltraShort'] as const;
const SCREEN_FIELDS = ['widthM', 'heightM', 'hangs', 'gain', 'weaveMm'] as const;
const screenFigure = (screen: NonNullable<DeviceType['screen']>, field: (typeof SCREEN_FIELDS)[number]) =>
  field === 'widthM' ? screen.pictureM[0] : field === 'heightM' ? screen.pictureM[1] : screen[field];
const writtenPart = (value: number | string | boolean | null): string =>
  value === null
    ? ''
    : typeof value === 'number'
      ? String(tidy(value))
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : value;
/** A figure, or whether something is so. */
const partIn = (cell: string): number | boolean => (/^(yes|no)$/i.test(cell) ? /^yes$/i.test(cell) : number(cell));

const COLUMNS: readonly Column[] = [
  words('id'),
  words('code', true),
  words('name', true),
  choice('part'),
  choice('system', true),
  choice('answers'),
  choice('mount', true),
  figure('defaultHeightM'),
  ...pair('sizeM', ['planWidthM', 'planDepthM'], true),
  {
    name: 'round',
    write: (type) => (type.round ? 'yes' : 'no'),
    read: (draft, cell) => {
      if (cell === '') return;
      if (!/^(yes|no|true|false|1|0)$/i.test(cell)) throw new BadCell(`"${cell.slice(0, 20)}" is neither yes nor no`);
      draft.round = /^(yes|true|1)$/i.test(cell);
    },
  },
  ...(['shape', 'widthM', 'heightM'] as const).map((side): Column => ({
    name: `cutOut${side[0].toUpperCase()}${side.slice(1)}`,
    write: (type) => (type.cutOut === null ? '' : side === 'shape' ? type.cutOut.shape : tidy(type.cutOut[side])),
    read: (draft, cell) => {
      if (cell !== '') draft.cutOut = { ...(draft.cutOut as object | undefined), [side]: side === 'shape' ? cell : number(cell) };
    },
  })),
  ...pair('frameM', ['frameWidthM', 'frameHeightM']),
  figure('depthM'),
  figure('clampM'),
  figure('weightKg'),
  ...pair('holePatternM', ['holesWidthM', 'holesHeightM']),
  figure('poeClass'),
  figure('dcV'),
  figure('dcW'),
  figure('mainsW'),
  figure('heatW'),
  degrees('coverageRad', 'coverageDeg'),
  figure('sensitivityDb'),
  figure('impedanceOhm'),
  choice('soundUse'),
  choice('boxKind'),
  figure('keepClearM'),
  choice('link'),
  {
    name: 'attitudes',
    write: ({ attitudes }) => attitudes.join('; '),
    read: (draft, cell) => {
      draft.attitudes = cell
        .split(';')
        .map((one) => one.trim())
        .filter(Boolean);
    },
  },
  ...LENS_FIELDS.map((field): Column => ({
    name: `lens${field[0].toUpperCase()}${field.slice(1)}`,
    write: ({ lens }) => (lens === null ? '' : writtenPart(lens[field])),
    read: (draft, cell) => {
      if (cell !== '')
        draft.lens = { ...(draft.lens as object | undefined), [field]: field === 'shiftShape' ? cell : partIn(cell) };
    },
  })),
  ...SCREEN_FIELDS.map((field): Column => ({
    name: `screen${field[0].toUpperCase()}${field.slice(1)}`,
    write: ({ screen }) => (screen === null ? '' : writtenPart(screenFigure(screen, field))),
    read: (draft, cell) => {
      if (cell === '') return;
      const screen = (draft.screen ?? { weaveMm: null }) as { pictureM?: number[] };
      const [widthM, heightM] = screen.pictureM ?? [];
      if (field === 'widthM') draft.screen = { ...screen, pictureM: [number(cell), heightM] };
      else if (field === 'heightM') draft.screen = { ...screen, pictureM: [widthM, number(cell)] };
      else draft.screen = { ...screen, [field]: partIn(cell) };
    },
  })),
  words('controlFamily'),
  words('tools'),
  words('premade'),
  figure('price'),
  figure('hours'),
  list(
    'ports',
    ({ ports }) => ports.map(({ name, connector, direction }) => [name, connector, direction].join('|')).join('; '),
    (part) => {
      const [name, connector, direction] = parts(part, 3, 'name | connector | in, out or both');
      return { name, connector, direction };
    },
  ),
  list(
    'cables',
    ({ cables }) =>
      cables
        .map((one) =>
          [
            one.cableTypeId,
            one.purpose,
            one.slackM,
            one.to,
            one.toTypeId ?? '',
            one.deviceConnector,
            one.farConnector,
            one.mapId ?? '',
            one.optional ? 'optional' : '',
          ].join('|'),
        )
        .join('; '),
    (part) => {
      const found = parts(
        part,
        9,
        'cable | purpose | slack m | rack, device or chain | type | connector | far connector | map | optional',
      );
      const [cableTypeId, purpose, slack, to, toTypeId, deviceConnector, farConnector, mapId, optional] = found;
      return {
        cableTypeId,
        purpose,
        slackM: number(slack),
        to,
        toTypeId: toTypeId || null,
        deviceConnector,
        farConnector,
        mapId: mapId || null,
        optional: optional === 'optional',
      };
    },
  ),
  {
    name: 'accepts',
    write: ({ accepts }) => (accepts ? [accepts.shape, tidy(accepts.leastM), tidy(accepts.mostM)].join('|') : ''),
    read: (draft, cell) => {
      if (cell === '') return;
      const [shape, min, max] = parts(cell, 3, 'shape | least m | most m');
      draft.accepts = { shape, leastM: number(min), mostM: number(max) };
    },
  },
  {
    name: 'holds',
    write: ({ holds }) =>
      holds
        ? [
            holds.style,
            holds.parkedDepthM,
            holds.reachM,
            tidy((holds.turnRad * 180) / Math.PI),
            holds.ratedKg,
            holds.widestM,
          ].join('|')
        : '',
    read: (draft, cell) => {
      if (cell === '') return;
      const [style, parked, reach, turn, rated, widest] = parts(
        cell,
        6,
        'style | parked m | reach m | turn ° | rated kg | widest m',
      );
      draft.holds = {
        style,
        parkedDepthM: number(parked),
        reachM: number(reach),
        turnRad: (number(turn) * Math.PI) / 180,
        ratedKg: number(rated),
        widestM: number(widest),
      };
    },
  },
];

/** The columns of a library as a file, in their order. */
export const LIBRARY_COLUMNS: readonly string[] = COLUMNS.map(({ name }) => name);

/** CSV of a library; lengths in m, angles in degrees, ports and cables in one cell each. */
export const writeLibraryCsv = (types: readonly DeviceType[]): string =>
  stringify([LIBRARY_COLUMNS, ...types.map((type) => COLUMNS.map(({ write }) => write(type)))], {
    escape_formulas: true,
    record_delimiter: 'windows',
  });

export const writeLibraryJson = (types: readonly DeviceType[]): string =>
  `${JSON.stringify({ format: LIBRARY_FORMAT, version: 1, deviceTypes: types }, null, 1)}\n`;

type Known = Pick<ProjectDocument, 'cableTypes' | 'deviceTypes' | 'conductorMaps'>;

/**
 * Reads a library from CSV or JSON. Rows that are sound can be taken; each of the others says by field what is wrong.
 * Problems of the whole file: `file-too-large`, `file-not-json`, `library-not-ours`, `library-column-missing`,
 * `library-empty`, `library-unreadable`.
 */
export function readLibrary(text: string, known: Known): Outcome<LibraryFile> {
  if (text.length > MAX_TEXT) return err('file-too-large', { bytes: text.length, mostBytes: MAX_TEXT });
  const plain = text.replace(/^\uFEFF/, '');
  const drafts = plain.trimStart().startsWith('{') ? jsonDrafts(plain) : csvDrafts(plain);
  if (!drafts.ok) return drafts;
  if (drafts.value.length === 0) return err('library-empty', { kind: 'incomplete', field: 'file' });
  return ok(judged(drafts.value, known));
}

interface RowDraft {
  readonly row: number;
  readonly draft: Draft | null;
  readonly problem: Problem | null;
}

function jsonDrafts(text: string): Outcome<RowDraft[]> {
  let json: { format?: unknown; deviceTypes?: unknown };
  try {
    json = JSON.parse(text) as typeof json;
  } catch (error) {
    return err('file-not-json', { kind: 'invalid', field: 'file', reason: (error as Error).message.slice(0, 160) });
  }
  if (json.format !== LIBRARY_FORMAT || !Array.isArray(json.deviceTypes))
    return err('library-not-ours', { kind: 'invalid', field: 'format' });
  return ok(
    json.deviceTypes
      .slice(0, MAX_ROWS)
      .map((draft: unknown, i) => ({ row: i + 1, draft: (draft ?? {}) as Draft, problem: null })),
  );
}

function csvDrafts(text: string): Outcome<RowDraft[]> {
  let cells: string[][];
  try {
    const first = text.slice(0, Math.max(1, text.search(/\r?\n/)));
    cells = parse(text, {
      delimiter: first.split(';').length > first.split(',').length ? ';' : ',',
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
      to: MAX_ROWS + 1,
    }) as string[][];
  } catch (error) {
    return err('library-unreadable', { kind: 'invalid', field: 'file', reason: (error as Error).message.slice(0, 160) });
  }
  const [head = [], ...rows] = cells;
  const at = new Map(head.map((name, i) => [name.replace(/^'/, '').toLowerCase(), i]));
  const missing = COLUMNS.find(({ name, required }) => required && !at.has(name.toLowerCase()));
  if (missing) return err('library-column-missing', { kind: 'incomplete', field: missing.name });
  return ok(
    rows.map((row, i) => {
      const draft: Draft = {};
      for (const { name, read } of COLUMNS) {
        // A spreadsheet's guard against formulas is not part of the value.
        const cell = (row[at.get(name.toLowerCase()) ?? -1] ?? '').replace(/^'(?=[=+\-@])/, '');
        try {
          read(draft, cell);
        } catch (error) {
          if (!(error instanceof BadCell)) throw error;
          return {
            row: i + 2,
            draft: null,
            problem: { code: 'library-value', kind: 'invalid' as const, field: name, reason: error.reason },
          };
        }
      }
      return { row: i + 2, draft, problem: null };
    }),
  );
}

const idOf = (name: unknown): string =>
  String(name ?? '')
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40);

function judged(drafts: readonly RowDraft[], known: Known): LibraryFile {
  const types: DeviceType[] = [];
  const problems: RowProblem[] = [];
  const codes = new Map(Object.values(known.deviceTypes).map((type) => [type.code, type.id]));
  const seen = new Map<string, number>();
  for (const { row, draft, problem } of drafts) {
    const say = (one: Problem) => problems.push({ row, problem: one });
    if (!draft) {
      say(problem!);
      continue;
    }
    const id = typeof draft.id === 'string' && draft.id !== '' ? draft.id : idOf(draft.name);
    const legs = Array.isArray(draft.cables)
      ? draft.cables.map((one: unknown) => ({
          toTypeId: null,
          deviceConnector: '',
          farConnector: '',
          mapId: null,
          optional: false,
          ...(one as object),
        }))
      : [];
    const parsed = deviceType.safeParse({ ...TYPE_DEFAULTS, ...draft, id, cables: legs });
    if (!parsed.success) {
      for (const issue of parsed.error.issues.slice(0, 8))
        say({
          ...problemOfIssue(issue, ''),
          code: 'library-value',
          ...(issue.code === 'invalid_value' ? { reason: `must be one of ${issue.values.map(String).join(', ')}` } : {}),
        });
      continue;
    }
    const type = parsed.data;
    const contradiction = contradicts(type);
    const other = codes.get(type.code);
    if (seen.has(id)) say({ code: 'library-twice', kind: 'invalid', field: 'id', value: id, other: seen.get(id) });
    else if (other !== undefined && other !== id)
      say({ code: 'library-code-taken', kind: 'invalid', field: 'code', value: type.code, other });
    else if (contradiction) say(contradiction);
    else {
      seen.set(id, row);
      codes.set(type.code, id);
      types.push(type);
    }
  }
  // Recipes may name types of the same file.
  const all = { ...known, deviceTypes: { ...known.deviceTypes, ...Object.fromEntries(types.map((type) => [type.id, type])) } };
  const sound = types.filter((type) => {
    const recipe = checkRecipe(all, type);
    const map = type.cables.find(({ mapId }) => mapId !== null && !Object.hasOwn(known.conductorMaps, mapId));
    if (recipe.ok && !map) return true;
    problems.push({
      row: seen.get(type.id)!,
      problem: recipe.ok ? { code: 'library-map-missing', kind: 'invalid', field: 'cables', value: map!.mapId } : recipe.problem,
    });
    return false;
  });
  return { types: sound, problems: problems.sort((a, b) => a.row - b.row) };
}

/** Columns that cannot both be true. */
function contradicts(type: DeviceType): Problem | null {
  const say = (field: string, reason: string): Problem => ({ code: 'library-contradiction', kind: 'invalid', field, reason });
  if (type.cutOut?.shape === 'round' && Math.abs(type.cutOut.widthM - type.cutOut.heightM) > 1e-9)
    return say('cutOutHeightM', 'a round cut-out has one diameter: width and height differ');
  if (type.cutOut && type.frameM && (type.frameM[0] < type.cutOut.widthM || type.frameM[1] < type.cutOut.heightM))
    return say('frameWidthM', 'the frame is smaller than the cut-out that it covers');
  if (type.poeClass !== null && !type.cables.some(({ cableTypeId }) => cableTypeId.startsWith('cat')))
    return say('poeClass', 'it is fed over a network cable, but has none');
  if (type.link !== 'cable' && type.cables.length > 0) return say('link', 'it needs no cable, but its recipe has some');
  if (type.link === 'cable' && type.part === 'device' && type.cables.length === 0)
    return say('cables', 'it is linked by cable, but its recipe has none');
  if (type.soundUse !== null && type.impedanceOhm === null) return say('impedanceOhm', 'a loudspeaker needs its impedance');
  return null;
}
