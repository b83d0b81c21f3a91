import { holeSchedule, holeTotals } from '../drilling/index.ts';
import { CHECKS, curesFor, runChecks, type CheckStage, type Cure, type Finding } from '../checks/index.ts';
import { scheduleOf, cablingReport, type CablingReport, type ScheduleRow, type ScheduleWords } from '../documents/index.ts';
import { clashesOf } from '../mounting/index.ts';
import { applyChange, listOf, onLevel, type Operation, type ProjectDocument } from '../project/index.ts';
import { bothRoutes, type BothRoutes } from '../surface/index.ts';
import {
  bundleByWay,
  choicesOf,
  compareNumbers,
  keptRoutes,
  planRun,
  planRuns,
  planRunsInSteps,
  proposeTrunks,
  renumberScheme,
  type PlannedRun,
} from '../runs/index.ts';
import { HeldDraft } from './held-draft.ts';
import { patched, type DocumentPatch } from './patch.ts';
import { splicesBetween } from './splices.ts';
import {
  NOTHING_TOLD,
  type HeldTold,
  type Told,
  type ToldFinding,
  type ToldLists,
  type ToldRun,
  type TrunkOutlook,
} from './told.ts';

const STAGE_OF: ReadonlyMap<string, CheckStage> = new Map(CHECKS.map(({ id, stage }) => [id, stage]));

/** Devices this near are looked at beside one in the hand, m. */
const BESIDE_M = 3;
/** What keeps more devices in the hand from being built is not told while they move. */
const MOST_TOLD = 2;

/**
 * Keeps what follows from a project, routes, findings and the schedule, up with its edits, and tells after each only what became
 * different. Pure but for its own memory: the page runs it in a worker, tests without one.
 */
export class Following {
  private document: ProjectDocument | null = null;
  private told: ToldLists = NOTHING_TOLD;
  private readonly held = new HeldDraft();
  private readonly wires = new WeakMap<PlannedRun, ToldRun>();
  private findings = new Map<number, Finding>();
  private byText = new Map<string, ToldFinding>();
  /** Findings that stayed the same value are told as they were, without writing them out again. */
  private readonly toldOf = new WeakMap<object, ToldFinding>();
  private readonly textOf = new WeakMap<ToldFinding, string>();
  private lastRef = 0;

  constructor(private readonly words: ScheduleWords) {}

  /** Another project, or this one from the start. */
  open(document: ProjectDocument): void {
    this.document = document;
    this.told = NOTHING_TOLD;
    this.held.end();
  }

  /** An edit; what follows from it is told by the next `follow`. */
  edit(patch: DocumentPatch): void {
    this.document = patched(this.opened, patch);
    this.held.end();
  }

  /** Routes and schedule without the checks, where nothing was told yet: null where something was, since all is told together then. */
  *route(): Generator<number, Told | null> {
    if (this.told !== NOTHING_TOLD) return null;
    const runs = yield* planRunsInSteps(this.opened);
    this.told = { ...NOTHING_TOLD, runs: this.toldRuns(runs), rows: scheduleOf(this.opened, this.words, runs, []) };
    return differenceOf(NOTHING_TOLD, this.told);
  }

  /** Works out everything, step by step with the share done; called off it loses nothing. `today` is YYYY-MM-DD. */
  *follow(today: string): Generator<number, Told> {
    const lists = yield* this.listsOf(this.opened, today, true);
    const told = differenceOf(this.told, lists);
    this.told = lists;
    return told;
  }

  /** What would follow from an edit that is only looked at, as a difference to what was told last. */
  *preview(patch: DocumentPatch, today: string): Generator<number, Told> {
    return differenceOf(this.told, yield* this.listsOf(patched(this.opened, patch), today, false));
  }

  /** Runs of devices in the hand, and what keeps the first of them from being built there. */
  hold(operations: readonly Operation[], deviceIds: readonly string[]): HeldTold | null {
    const document = this.held.show(this.opened, operations);
    if (!document) return null;
    const ids = new Set(deviceIds);
    const kept = keptRoutes(document.routes);
    const runs = listOf(document, 'runs')
      .filter(({ deviceId }) => ids.has(deviceId))
      .sort((a, b) => compareNumbers(a.number, b.number));
    return {
      runs: runs.map((run) => wireOf(planRun(document, run, kept.get(run.id) ?? null))),
      clashes: deviceIds.slice(0, MOST_TOLD).flatMap((id) => {
        const device = document.devices[id];
        const near = onLevel(document, 'devices', device.levelId).filter(
          (other) => Math.abs(other.x - device.x) < BESIDE_M && Math.abs(other.y - device.y) < BESIDE_M,
        );
        return clashesOf(document, device, near)
          .slice(0, MOST_TOLD)
          .map(({ rank, code, figures }) => ({
            deviceId: id,
            rank,
            code,
            figures: { device: document.deviceTypes[device.typeId].name, ...figures },
          }));
      }),
    };
  }

  /** The way that a run takes and the next cheapest ones, with what each is made of. */
  choices(runId: string): ReturnType<typeof choicesOf> {
    const run = this.opened.runs[runId];
    return run ? choicesOf(this.opened, run) : { ok: false, problem: { code: 'record-gone', in: 'runs', id: runId } };
  }

  /** Ways that runs could share. `newId` gives ids for what would be kept. */
  trunks(newId: () => string): TrunkOutlook {
    const now = this.opened;
    const { operations, now: workNow, together } = proposeTrunks(now, newId);
    const applied = applyChange(now, { operations });
    const then = applied.ok ? applied.value : now;
    const [before, after] = [planRuns(now), planRuns(then)];
    const bundles = operations.length > 0 ? bundleByWay(after) : [];
    const wasAt = new Map(before.map((planned) => [planned.run.id, planned.points]));
    const sumOf = (document: ProjectDocument, runs: readonly PlannedRun[], workM: number) => ({
      cutM: runs.reduce((sum, { length }) => sum + (length?.cutLengthM ?? 0), 0),
      holes: holeTotals(holeSchedule(document, runs)).reduce((sum, { holes }) => sum + holes, 0),
      workM,
    });
    return {
      operations: [...operations, ...bundles],
      now: sumOf(now, before, workNow.totalM),
      then: sumOf(then, after, together.totalM),
      moved: after.filter(({ run, points }) => !samePoints(wasAt.get(run.id) ?? [], points)).length,
    };
  }

  /** All that follows from the routes: holes, ways, bundles, seals. */
  cabling(): CablingReport {
    return cablingReport(this.opened, planRuns(this.opened));
  }

  /** Runs by the bundles that their ways make. */
  bundles(): readonly Operation[] {
    return bundleByWay(planRuns(this.opened));
  }

  /** Every run under another number scheme. */
  scheme(pattern: string): ReturnType<typeof renumberScheme> {
    return renumberScheme(this.opened, pattern);
  }

  /** A run in the walls beside the same run on the surface; null where it is gone. */
  both(runId: string): BothRoutes | null {
    const run = this.opened.runs[runId];
    return run ? bothRoutes(this.opened, planRun(this.opened, run, keptRoutes(this.opened.routes).get(run.id) ?? null)) : null;
  }

  /** The devices were let go. */
  letGo(): void {
    this.held.end();
  }

  /** The cures of a finding that was told; none where it is no longer so. */
  cures(ref: number): readonly Cure[] {
    const finding = this.findings.get(ref);
    return finding ? curesFor(finding, this.opened) : [];
  }

  private get opened(): ProjectDocument {
    if (!this.document) throw new Error('no project is open');
    return this.document;
  }

  private *listsOf(document: ProjectDocument, today: string, forget: boolean): Generator<number, ToldLists> {
    const runs = yield* planRunsInSteps(document);
    const findings = runChecks(document, runs, today);
    yield 1;
    const wasRow = new Map(this.told.rows.map((row) => [row.runId, row]));
    const rows = scheduleOf(document, this.words, runs, findings).map((row) => {
      const was = wasRow.get(row.runId);
      return was && sameRow(was, row) ? was : row;
    });
    return {
      runs: this.toldRuns(runs),
      findings: this.tellable(findings, forget),
      rows,
    };
  }

  private toldRuns(runs: readonly PlannedRun[]): ToldRun[] {
    return runs.map((planned) => {
      let wire = this.wires.get(planned);
      if (!wire) this.wires.set(planned, (wire = wireOf(planned)));
      return wire;
    });
  }

  /** Findings as they are sent: their cures are worked out only for one who looks at them. */
  private tellable(findings: readonly Finding[], forget: boolean): ToldFinding[] {
    const byText = new Map<string, ToldFinding>();
    const byRef = forget ? new Map<number, Finding>() : this.findings;
    const told = findings.map((finding) => {
      const again = this.toldOf.get(finding);
      if (again && again.rank === finding.rank) {
        byText.set(this.textOf.get(again)!, again);
        byRef.set(again.ref, finding);
        return again;
      }
      const { check, rank, code, subjects, measured, allowed, unit, figures } = finding;
      const plain = { check, rank, code, subjects, measured, allowed, unit, figures };
      const text = JSON.stringify(plain);
      const known = byText.get(text) ??
        this.byText.get(text) ?? { ...plain, stage: STAGE_OF.get(check) ?? 'cabling', ref: ++this.lastRef };
      byText.set(text, known);
      byRef.set(known.ref, finding);
      this.toldOf.set(finding, known);
      this.textOf.set(known, text);
      return known;
    });
    if (forget) {
      this.byText = byText;
      this.findings = byRef;
    }
    return told;
  }
}

function wireOf({ run, wanted, differs, length, points, media }: PlannedRun): ToldRun {
  return { runId: run.id, wanted, differs, length, points, media };
}

const same = <T>(a: T, b: T) => a === b;
const samePoints = (a: PlannedRun['points'], b: PlannedRun['points']) =>
  a.length === b.length && a.every((p, n) => p.every((value, axis) => value === b[n][axis]));

const differenceOf = (before: ToldLists, after: ToldLists): Told => ({
  runs: splicesBetween(before.runs, after.runs, same),
  findings: splicesBetween(before.findings, after.findings, same),
  rows: splicesBetween(before.rows, after.rows, same),
});

function sameRow(a: ScheduleRow, b: ScheduleRow): boolean {
  for (const field in a) if (a[field as keyof ScheduleRow] !== b[field as keyof ScheduleRow]) return false;
  return true;
}
