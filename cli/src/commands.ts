import { z } from 'zod';
import { CALCULATORS, listCalculators, runCalculator, stepsOf } from '@dusky-spool/core/calculators';
import { CHECKS, curesFor, type Finding, runChecks } from '@dusky-spool/core/rules';
import { scheduleCsv, scheduleOf, totalsByCable } from '@dusky-spool/core/sheets';
import { type ProjectDocument, writeProjectFile } from '@dusky-spool/core/model';
import { err, ok, type Outcome, parseLength } from '@dusky-spool/core/math';
import { listOf } from '@dusky-spool/core/derive';
import { levelAreas, levelsFromBelow, missingThings, sameOutline, surveyQuestions } from '@dusky-spool/core/house';
import { planRuns } from '@dusky-spool/core/runs';
import { cablingText } from './cabling-text.ts';
import { briefText } from './brief-text.ts';
import { headEndText } from './head-end-text.ts';
import { headEndsText } from './head-ends-text.ts';
import { fieldText } from './field-text.ts';
import { datesText, offerText } from './offer-text.ts';
import { orderText } from './order-text.ts';
import { theatreDesignText, theatreText } from './theatre-text.ts';
import { pathwaysText } from './pathways-text.ts';
import { planCommand } from './plan-commands.ts';
import { bad, type CommandResult, good, json, type ReadFile, withFile } from './result.ts';
import { cureSentence, en, findingSentence, placeWords } from '@dusky-spool/texts';

export const USAGE = `Usage: npm run --silent cli -- COMMAND
  schedule FILE [--csv | --json]     the cable schedule of a project file
  check FILE [--json]                all findings; ends with 1 where one is an error
  check, schedule --today=DAY        as of that day (2026-11-29); without it as of today
  check --list [--json]              every rule
  calc --list [--json]               every calculator with its input schema
  calc NAME JSON [--steps]           one calculation; JSON may be - for standard input; --steps shows the way to it
  ways FILE [--shared] [--json]      the route and the holes of every run; --shared finds shared routes first
  cabling FILE [--json]              bundles, pathway fill, spare conduits, firestopping, floor topping, supports
  head-ends FILE [--json]            what ends at each head end, by system, and the rules that say so
  head-end FILE [--design] [--without=NAME] [--rf=SERVICE:MHZ:MHZ:DBUV:DBUV] [--json]
                                     equipment, ports, patching, PoE, power and heat of each head end; --design adds what is
                                     missing first; --without lists what stops with a run, a piece of equipment or a circuit;
                                     --rf brings coax outlets into their windows, from the levels at both ends of the band
  brief FILE [--json]                answers of every room and outdoor area, cost, open decisions, builder's package
  offer FILE [--json] [--today=DAY]  what the client pays, line by line, and every option
  dates FILE [--json] [--today=DAY]  gates, what is late, what is ordered until when
  field FILE [--json]                what is pulled next from which spool, and what is open at the close of the day
  order FILE [--json]                what to buy, what is cut from which spool, pulls in their order, the bill of materials
  theatre FILE [--design] [--json]   rooms as theatres: picture, projectors, seats, angles, sight lines, delays, score; --design
                                     proposes places for the speakers of their layouts
  rooms FILE [--json]                rooms with net areas, footprint and gross area of each level
  questions FILE [--json]            what is not measured that a later stage needs, in walking order
  drawing FILE.dxf [--json]          layers, units and size of a drawing, and what was wrong in it
  propose FILE.dxf --walls=LAYER [--openings=LAYER] [--unit=mm|cm|m|in|ft] [--json]
                                     the walls that a drawing's lines propose, m
  revised FILE FILE.dxf --level=CODE --walls=LAYER [--openings=LAYER] [--unit=...] [--json]
                                     in what a revised drawing differs from a level, and what each difference touches
  table FILE FILE.csv [--level=CODE] [--unit=mm|cm|m|in|ft] [--json]
                                     rooms or walls of a table, and the lines that cannot be taken
  convert FILE                       reads a project file and writes it in its canonical form
  convert LENGTH [--imperial]        a typed length in metres, e.g. convert "5' 6 1/2\\""
FILE may be - for standard input.`;

/** What stands behind a flag: `--level=G`; null where it is not given. */
const valueOf = (flags: ReadonlySet<string>, name: string): string | null =>
  [...flags].find((flag) => flag.startsWith(`${name}=`))?.slice(name.length + 1) ?? null;

/** Commands that say one thing of a project file. */
const REPORTS: Readonly<Record<string, (project: ProjectDocument, asJson: boolean, today: string) => string>> = {
  cabling: cablingText,
  'head-ends': headEndsText,
  order: orderText,
  offer: offerText,
  dates: datesText,
  field: fieldText,
  rooms: roomsText,
  questions: questionsText,
};

/** Runs one command line; reads files only through `readFile`. */
export function runCommand(args: readonly string[], readFile: ReadFile): CommandResult {
  const flags = new Set(args.filter((arg) => /^--[a-z]+(=|$)/.test(arg)));
  const [command, ...words] = args.filter((arg) => !flags.has(arg));
  const asJson = flags.has('--json');
  const today = dayOf(flags);
  if (!today.ok) return bad(today.problem, asJson);
  const report = Object.hasOwn(REPORTS, command ?? '') ? REPORTS[command] : undefined;
  if (report) return withFile(words[0], readFile, asJson, ({ project }) => good(report(project, asJson, today.value)));
  switch (command) {
    case 'schedule':
      return withFile(words[0], readFile, asJson, ({ project }) => good(scheduleText(project, flags, today.value)));
    case 'check':
      if (flags.has('--list')) return good(ruleList(asJson));
      return withFile(words[0], readFile, asJson, ({ project }) => checkText(project, asJson, today.value));
    case 'calc':
      if (flags.has('--list')) return good(asJson ? json(listCalculators()) : calculatorLines());
      return calculate(words, readFile, flags.has('--steps'));
    case 'ways':
      return withFile(words[0], readFile, asJson, ({ project }) => good(pathwaysText(project, flags.has('--shared'), asJson)));
    case 'head-end':
      return withFile(words[0], readFile, asJson, ({ project }) =>
        headEndText(project, {
          design: flags.has('--design'),
          json: asJson,
          without: valueOf(flags, '--without'),
          rf: valueOf(flags, '--rf'),
        }),
      );
    case 'theatre':
      return withFile(words[0], readFile, asJson, ({ project }) =>
        good(flags.has('--design') ? theatreDesignText(project, asJson) : theatreText(project, asJson)),
      );
    case 'brief':
      return withFile(words[0], readFile, asJson, ({ project }) => good(briefText(project, asJson, today.value)));
    case 'drawing':
    case 'propose':
    case 'revised':
    case 'table':
      return planCommand(command, words, flags, readFile);
    case 'convert':
      return convert(words.join(' '), flags, readFile);
    case undefined:
    case 'help':
      return command === 'help' || flags.has('--help') ? good(USAGE) : { status: 2, out: '', error: USAGE };
    default:
      return bad(
        {
          code: 'command-unknown',
          name: command,
          known: [
            'schedule',
            'check',
            'calc',
            'ways',
            'cabling',
            'head-ends',
            'head-end',
            'brief',
            'theatre',
            'order',
            'offer',
            'dates',
            'field',
            'rooms',
            'questions',
            'drawing',
            'propose',
            'revised',
            'table',
            'convert',
          ],
        },
        asJson,
      );
  }
}

/** The day of `--today=YYYY-MM-DD`, else that of this machine. */
function dayOf(flags: ReadonlySet<string>): Outcome<string> {
  const flag = [...flags].find((one) => one.startsWith('--today'));
  if (flag === undefined) {
    return ok(new Date().toLocaleDateString('sv-SE'));
  }
  const day = flag.slice('--today='.length);
  return z.iso.date().safeParse(day).success
    ? ok(day)
    : err('input-invalid', { kind: 'invalid', field: '--today', reason: 'must be a day such as 2026-11-29' });
}

function scheduleText(project: ProjectDocument, flags: ReadonlySet<string>, today: string): string {
  const planned = planRuns(project);
  const rows = scheduleOf(project, en.terms, today);
  if (!flags.has('--json')) return scheduleCsv(project, rows, en.documents.columns, placeWords);
  const routes = new Map(planned.map((run) => [run.run.id, run]));
  return json({
    project: project.project.name,
    shortId: project.project.shortId,
    units: 'm',
    runs: rows.map((row) => ({
      ...row,
      points: routes.get(row.runId)!.points,
      media: routes.get(row.runId)!.media,
      differs: routes.get(row.runId)!.differs,
    })),
    totals: totalsByCable(project, rows),
  });
}

function checkText(project: ProjectDocument, asJson: boolean, today: string): CommandResult {
  const { units } = project.project;
  const findings = runChecks(project, today);
  const count = (rank: Finding['rank']) => findings.filter((finding) => finding.rank === rank).length;
  const status = count('stop') > 0 ? 1 : 0;
  const counts = { stop: count('stop'), look: count('look'), fine: count('fine') };
  if (asJson) {
    const told = findings.map((finding) => ({
      ...finding,
      sentence: findingSentence(finding, units),
      cures: curesFor(finding, project).map((cure) => ({ ...cure, words: cureSentence(cure, units) })),
    }));
    return good(json({ counts, findings: told }), status);
  }
  const lines = findings.map(
    (finding) =>
      `${finding.rank.padEnd(5)} ${String(finding.figures.number ?? '').padEnd(14)} ${findingSentence(finding, units)}`,
  );
  return good([...lines, `${counts.stop} stop, ${counts.look} look, ${counts.fine} fine`].join('\n'), status);
}

function ruleList(asJson: boolean): string {
  const rules = CHECKS.map(({ id, title, source, calculators = [], severity, appliesTo }) => ({
    id,
    title,
    source,
    calculators,
    formulaIds: CALCULATORS.filter(({ name }) => calculators.includes(name)).flatMap(({ formulaIds: ids = [] }) => ids),
    severity,
    appliesTo,
  }));
  return asJson
    ? json(rules)
    : rules.map((rule) => `${rule.id.padEnd(22)} ${rule.severity.padEnd(5)} ${rule.title} (${rule.source})`).join('\n');
}

const calculatorLines = (): string =>
  (listCalculators() as { name: string; title: string; source: string }[])
    .map((c) => `${c.name.padEnd(22)} ${c.title} (${c.source})`)
    .join('\n');

function calculate([name, text]: readonly string[], readFile: ReadFile, withSteps: boolean): CommandResult {
  if (name === undefined) return bad({ code: 'input-missing', kind: 'incomplete', field: 'NAME' }, true);
  let input: unknown;
  try {
    input = JSON.parse((text === '-' || text === undefined ? readFile('-') : text) || 'null');
  } catch (error) {
    return bad({ code: 'file-not-json', kind: 'invalid', field: 'JSON', reason: (error as Error).message }, true);
  }
  const outcome = runCalculator(name, input);
  if (!outcome.ok) return bad(outcome.problem, true);
  return good(json(withSteps ? { ...outcome.value, steps: stepsOf(name, input) } : outcome.value));
}

/** Areas of every level: net areas and footprint sum to the gross. */
function roomsText(project: ProjectDocument, asJson: boolean): string {
  const levels = levelsFromBelow(project).map((level) => {
    const { grossM2, footprintM2, rooms } = levelAreas(project, level.id);
    const own = listOf(project, 'rooms').filter((room) => room.levelId === level.id);
    return {
      level: level.code,
      grossM2,
      footprintM2,
      rooms: rooms.map(({ polygon, netM2 }) => {
        const room = own.find((one) =>
          sameOutline(
            polygon.map(([x, y]) => [x, y]),
            one.polygon,
          ),
        );
        return { id: room?.id ?? null, code: room?.code ?? null, name: room?.name ?? null, netM2, polygon };
      }),
      open: own
        .filter(
          (room) =>
            !rooms.some(({ polygon }) =>
              sameOutline(
                polygon.map(([x, y]) => [x, y]),
                room.polygon,
              ),
            ),
        )
        .map(({ id }) => id),
    };
  });
  if (asJson) return json({ levels });
  return levels
    .flatMap(({ level, grossM2, footprintM2, rooms }) => [
      `${level}: gross ${grossM2.toFixed(2)} m2, walls ${footprintM2.toFixed(2)} m2`,
      ...rooms.map(
        ({ code, name, netM2 }) => `  ${(code ?? '-').padEnd(6)} ${(name ?? 'no room').padEnd(24)} ${netM2.toFixed(2)} m2 net`,
      ),
    ])
    .join('\n');
}

function questionsText(project: ProjectDocument, asJson: boolean): string {
  const questions = surveyQuestions(project);
  if (asJson) return json({ questions, missing: missingThings(project) });
  return questions.map(({ id, neededBy, state }) => `${id.padEnd(48)} ${state.padEnd(10)} ${neededBy}`).join('\n');
}

function convert(word: string, flags: ReadonlySet<string>, readFile: ReadFile): CommandResult {
  if (word === '') return bad({ code: 'input-missing', kind: 'incomplete', field: 'FILE or LENGTH' }, false);
  if (word === '-' || /\.json$/i.test(word)) return withFile(word, readFile, false, (file) => good(writeProjectFile(file)));
  const length = parseLength(word, flags.has('--imperial') ? 'imperial' : 'metric');
  return length.ok
    ? good(json({ lengthM: Number(length.value.toFixed(9)) }))
    : bad({ ...length.problem, field: 'LENGTH' }, false);
}
