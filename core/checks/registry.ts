import type { ProjectDocument } from '../project/index.ts';
import { planRuns, type PlannedRun } from '../runs/index.ts';
import { briefMet, decisionsInTime, nothingOnPurpose, signedRooms } from './brief-kept.ts';
import { bundlesSound } from './bundles-sound.ts';
import { conduitsPlanned } from './conduits-planned.ts';
import { jacketsFit } from './jackets-fit.ts';
import { jacketsToldApart } from './jackets-told-apart.ts';
import { screedSound } from './screed-sound.ts';
import { waysOpen } from './ways-open.ts';
import { waysFit } from './ways-fit.ts';
import { buildable } from './buildable.ts';
import { ORDER, type Check, type CheckContext, type Finding } from './check.ts';
import { clearOfMains } from './clear-of-mains.ts';
import { conductorsFit } from './conductors-fit.ts';
import { cavitiesKnown, ceilingAboveHeads, levelsApart, openingsFit, roomsClosed } from './house-sound.ts';
import { keptRouteDiffers } from './kept-route-differs.ts';
import { oneThermostat } from './one-thermostat.ts';
import { platesSound } from './plates-sound.ts';
import { rulesKept } from './rules-kept.ts';
import { routeMissing } from './route-missing.ts';
import { speakerCableLossCheck } from './speaker-cable-loss.ts';

/** Every rule of the product. */
export const CHECKS: readonly Check[] = [
  speakerCableLossCheck,
  waysOpen,
  routeMissing,
  keptRouteDiffers,
  openingsFit,
  levelsApart,
  ceilingAboveHeads,
  roomsClosed,
  cavitiesKnown,
  briefMet,
  nothingOnPurpose,
  decisionsInTime,
  signedRooms,
  buildable,
  platesSound,
  conductorsFit,
  oneThermostat,
  rulesKept,
  clearOfMains,
  waysFit,
  bundlesSound,
  conduitsPlanned,
  jacketsToldApart,
  jacketsFit,
  screedSound,
];

/** All findings of a project, stops first. */
export function runChecks(
  document: ProjectDocument,
  runs: readonly PlannedRun[] = planRuns(document),
  today?: string,
): Finding[] {
  return CHECKS.flatMap((check) => findingsFrom(check, { document, runs, today })).sort((a, b) => ORDER[a.rank] - ORDER[b.rank]);
}

interface Kept {
  readonly tables: readonly object[];
  readonly findings: readonly Finding[];
}
const kept = new Map<Check, readonly Kept[]>();
/** A project, its preview and the one before it: as many are looked at in turn. */
const MOST_KEPT = 3;

function findingsFrom(check: Check, context: CheckContext): readonly Finding[] {
  if (!check.reads) return check.run(context);
  const tables = check.reads.map((name) => context.document[name]);
  const known = kept.get(check) ?? [];
  const same = known.find((one) => one.tables.every((table, i) => table === tables[i]));
  if (same) return same.findings;
  const findings = check.run(context);
  kept.set(check, [{ tables, findings }, ...known].slice(0, MOST_KEPT));
  return findings;
}
