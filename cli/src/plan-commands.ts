import { listOf } from '@dusky-spool/core/derive';
import { type Drawing, lineCount, proposalInput, type Proposals, proposeWalls, readDxfBytes } from '@dusky-spool/core/house';
import { err, METRES_PER, ok, type Outcome, type Point2 } from '@dusky-spool/core/math';
import type { Level, ProjectDocument } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import {
  acceptRevision,
  changedRooms,
  guessColumns,
  guessTableUnit,
  laidRevision,
  readHouseTable,
  tableHouse,
  type TableUnit,
  touchedBy,
} from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { bad, type CommandResult, good, json, type ReadFile, withFile } from './result.ts';

type Flags = ReadonlySet<string>;

const valueOf = (flags: Flags, name: string) => [...flags].find((flag) => flag.startsWith(`--${name}=`))?.slice(name.length + 3);

/** Commands about plans from outside: drawings, the walls in them, revised plans, and tables of rooms or walls. */
export function planCommand(
  command: 'drawing' | 'propose' | 'revised' | 'table',
  words: readonly string[],
  flags: Flags,
  readFile: ReadFile,
): CommandResult {
  const asJson = flags.has('--json');
  if (command === 'table' || command === 'revised')
    return withFile(words[0], readFile, asJson, ({ project }) => {
      const level = levelOf(project, flags);
      if (!level.ok) return bad(level.problem, asJson);
      return (command === 'table' ? table : revised)(project, level.value, words[1], flags, readFile);
    });
  const drawn = drawingIn(words[0], readFile);
  if (!drawn.ok) return bad(drawn.problem, asJson);
  return command === 'drawing' ? layersOf(drawn.value, asJson) : proposed(drawn.value, flags, asJson);
}

/** The level that `--level=CODE` names, or the only one. */
function levelOf(project: ProjectDocument, flags: Flags): Outcome<Level> {
  const code = valueOf(flags, 'level');
  const levels = listOf(project, 'levels');
  const found = code === undefined && levels.length === 1 ? levels[0] : levels.find((level) => level.code === code);
  if (found) return ok(found);
  const reason = `must be one of ${levels.map((level) => level.code).join(', ')}`;
  return err('input-invalid', { kind: 'invalid', field: '--level', reason });
}

function textIn(path: string | undefined, readFile: ReadFile, encoding: 'utf8' | 'latin1'): Outcome<string> {
  if (path === undefined) return err('input-missing', { kind: 'incomplete', field: 'FILE' });
  try {
    return ok(readFile(path, encoding));
  } catch (error) {
    return err('file-missing', { kind: 'invalid', field: path, reason: (error as Error).message });
  }
}

function drawingIn(path: string | undefined, readFile: ReadFile): Outcome<Drawing> {
  const text = textIn(path, readFile, 'latin1');
  if (!text.ok) return text;
  const read = readDxfBytes(Buffer.from(text.value, 'latin1'));
  return read.ok ? read : { ok: false, problem: { ...read.problem, field: path } };
}

function layersOf(drawn: Drawing, asJson: boolean): CommandResult {
  const layers = drawn.layers.map(({ arcs, lines, ...layer }) => ({
    ...layer,
    lines: lineCount({ lines }),
    arcs: arcs.length / 5,
  }));
  const { metresPerUnit, guess, bounds, texts, dimensions, ignored, problems } = drawn;
  const told = problems.map((problem) => ({ ...problem, sentence: problemSentence(problem) }));
  if (asJson)
    return good(json({ metresPerUnit, guess, bounds, layers, texts: texts.length, dimensions, ignored, problems: told }));
  const lines = layers.map(({ name, lines: count }) => `${name.padEnd(24)} ${count} lines`);
  return good([...lines, ...told.map(({ sentence }) => sentence)].join('\n'));
}

/** The unit that `--unit` names, else that of the file. */
function unitOf(drawn: Drawing, flags: Flags): Outcome<number> {
  const unit = valueOf(flags, 'unit');
  if (unit !== undefined && !Object.hasOwn(METRES_PER, unit))
    return err('input-invalid', { kind: 'invalid', field: '--unit', reason: 'is none of mm, cm, m, in, ft' });
  const m = unit === undefined ? drawn.metresPerUnit : METRES_PER[unit as TableUnit];
  return m === null ? err('units-missing', { kind: 'incomplete', field: '--unit' }) : ok(m);
}

/** Walls of a drawing from its own corner, and that corner in the coordinates of the file, m. */
function wallsIn(drawn: Drawing, flags: Flags): Outcome<Proposals & { readonly cornerM: Point2 }> {
  const unit = unitOf(drawn, flags);
  if (!unit.ok) return unit;
  const walls = valueOf(flags, 'walls');
  if (walls === undefined) return err('input-missing', { kind: 'incomplete', field: '--walls' });
  if (!drawn.layers.some(({ name }) => name === walls))
    return err('input-invalid', { kind: 'invalid', field: '--walls', reason: `there is no layer ${walls}` });
  const found = proposeWalls(proposalInput(drawn, unit.value, [walls], [valueOf(flags, 'openings') ?? '']));
  return ok({ ...found, cornerM: [drawn.origin[0] * unit.value, drawn.origin[1] * unit.value] });
}

const point = ([x, y]: Point2) => `${x.toFixed(3)},${y.toFixed(3)}`;

function proposed(drawn: Drawing, flags: Flags, asJson: boolean): CommandResult {
  const found = wallsIn(drawn, flags);
  if (!found.ok) return bad(found.problem, asJson);
  const { cornerM, ...proposals } = found.value;
  if (asJson) return good(json({ units: 'm', origin: cornerM, ...proposals }));
  const lines = proposals.walls.map(({ a, b, thicknessM, openings }) =>
    `${point(a)} ${point(b)} ${thicknessM} ${openings.map((o) => o.kind).join(' ')}`.trim(),
  );
  return good(lines.join('\n'));
}

/** In what a revised drawing differs from a level, which devices and runs each difference touches, and which rooms change. */
function revised(
  project: ProjectDocument,
  level: Level,
  path: string | undefined,
  flags: Flags,
  readFile: ReadFile,
): CommandResult {
  const asJson = flags.has('--json');
  const drawn = drawingIn(path, readFile);
  const found = drawn.ok ? wallsIn(drawn.value, flags) : drawn;
  if (!found.ok) return bad(found.problem, asJson);
  const { pieces } = laidRevision(project, level.id, found.value.walls, found.value.cornerM);
  const runs = planRuns(project).map(({ run, device, points }) => ({ runId: run.id, deviceId: device.id, points }));
  const told = pieces.map((piece) => {
    const { deviceIds, runIds } = touchedBy(project, level.id, piece, runs);
    const devices = deviceIds.map((id) => project.devices[id].name || project.deviceTypes[project.devices[id].typeId].name);
    return { ...piece, devices, runs: runIds.map((id) => project.runs[id].number) };
  });
  let made = 0;
  const after = acceptRevision(project, level.id, pieces, (kind) => `new_${kind}_${++made}`);
  const rooms = changedRooms(project, after.project);
  if (asJson) return good(json({ units: 'm', pieces: told, rooms, refused: after.refused }));
  return good(
    [
      ...told.map(({ kind, before, after: lines, devices, runs: numbers }) => {
        const [a, b] = lines[0] ?? before[0];
        return `${kind.padEnd(16)} ${point(a)} ${point(b)}  ${devices.length} devices, ${numbers.length} runs`;
      }),
      ...rooms.map(
        ({ name, beforeM2, afterM2 }) => `room ${name}: ${beforeM2?.toFixed(2) ?? '-'} -> ${afterM2?.toFixed(2) ?? '-'} m2`,
      ),
    ].join('\n'),
  );
}

/** The rooms or walls of a CSV table, and its lines that cannot be taken. */
function table(
  project: ProjectDocument,
  level: Level,
  path: string | undefined,
  flags: Flags,
  readFile: ReadFile,
): CommandResult {
  const asJson = flags.has('--json');
  const text = textIn(path, readFile, 'utf8');
  const read = text.ok ? readHouseTable(text.value) : text;
  if (!read.ok) return bad({ ...read.problem, field: path ?? 'FILE' }, asJson);
  const unit = valueOf(flags, 'unit') ?? guessTableUnit(read.value.head) ?? 'm';
  if (!Object.hasOwn(METRES_PER, unit))
    return bad({ code: 'input-invalid', kind: 'invalid', field: '--unit', reason: 'is none of mm, cm, m, in, ft' }, asJson);
  const found = tableHouse(project, level.id, read.value, guessColumns(read.value.head), unit as TableUnit);
  const problems = found.problems.map(({ line, problem }) => ({ line, ...problem, sentence: problemSentence(problem) }));
  if (asJson) return good(json({ units: 'm', rooms: found.rooms, walls: found.walls, problems }), problems.length > 0 ? 1 : 0);
  return good(
    [
      ...found.rooms.map(
        ({ name, widthM, depthM, heightM }) =>
          `${name.padEnd(24)} ${widthM} x ${depthM} m${heightM === null ? '' : `, ${heightM} m high`}`,
      ),
      ...found.walls.map(({ a, b, thicknessM }) => `${point(a)} ${point(b)} ${thicknessM}`),
      ...problems.map(({ line, sentence }) => `line ${line}: ${sentence}`),
    ].join('\n'),
    problems.length > 0 ? 1 : 0,
  );
}
