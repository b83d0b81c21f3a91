import { listOf, type CollectionName, type Device, type ProjectDocument } from '../project/index.ts';
import { planRuns, type PlannedRun } from '../runs/index.ts';
import { aerialBonded, surgeProtected } from './entries-protected.ts';
import { askedFor, roomsDiscussed, sealsClosed } from './closed-in-time.ts';
import { bondLength } from './bond-length.ts';
import { cableAsType } from './cable-as-type.ts';
import { camerasPrivate } from './cameras-private.ts';
import { clearOfServices } from './clear-of-services.ts';
import { coaxLossCheck } from './coax-loss.ts';
import { copperClad } from './copper-clad.ts';
import { dataLength } from './data-length.ts';
import { endsKnown } from './ends-known.ts';
import { fibreOutdoors } from './fibre-outdoors.ts';
import { heightsUsual } from './heights-usual.ts';
import { labelsOn } from './labels-on.ts';
import { mainsAtDevice } from './mains-at-device.ts';
import { neutralThere } from './neutral-there.ts';
import { pictureReachCheck } from './picture-reach.ts';
import { poeDeliveredCheck } from './poe-delivered.ts';
import { rackFrontClear } from './rack-front-clear.ts';
import { recordsAgree } from './records-agree.ts';
import { returnAudio } from './return-audio.ts';
import { slackEnough } from './slack-enough.ts';
import { speakerChains } from './speaker-chains.ts';
import { testedInTime } from './tested-in-time.ts';
import { voltageAtLoad } from './voltage-at-load.ts';
import { wetZonesClear } from './wet-zones-clear.ts';
import { bendsFit } from './bends-fit.ts';
import { boresAllowed } from './bores-allowed.ts';
import { briefMet, decisionsInTime, nothingOnPurpose, signedRooms } from './brief-kept.ts';
import { bundlesSound } from './bundles-sound.ts';
import { conduitsPlanned } from './conduits-planned.ts';
import { jacketsFit } from './jackets-fit.ts';
import { jacketsToldApart } from './jackets-told-apart.ts';
import { legsComplete } from './legs-complete.ts';
import { screedSound } from './screed-sound.ts';
import { waysOpen } from './ways-open.ts';
import { waysFit } from './ways-fit.ts';
import { buildable } from './buildable.ts';
import {
  DEVICE_READS,
  ORDER,
  RUN_READS,
  type Check,
  type CheckContext,
  type Cure,
  type DeviceCheck,
  type Finding,
  type FindingDraft,
  type HouseCheck,
  type Rank,
  type RunCheck,
} from './check.ts';
import { clearOfMains } from './clear-of-mains.ts';
import { conductorsFit } from './conductors-fit.ts';
import { cavitiesKnown, ceilingAboveHeads, levelsApart, openingsFit, roomsClosed } from './house-sound.ts';
import { keptRouteDiffers } from './kept-route-differs.ts';
import { oneThermostat } from './one-thermostat.ts';
import { platesSound } from './plates-sound.ts';
import { rulesKept } from './rules-kept.ts';
import { routeMissing } from './route-missing.ts';
import { limitOf, settingsOf } from './settings.ts';
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
  boresAllowed,
  bendsFit,
  legsComplete,
  dataLength,
  poeDeliveredCheck,
  cableAsType,
  voltageAtLoad,
  pictureReachCheck,
  coaxLossCheck,
  copperClad,
  endsKnown,
  labelsOn,
  testedInTime,
  recordsAgree,
  slackEnough,
  clearOfServices,
  fibreOutdoors,
  bondLength,
  heightsUsual,
  wetZonesClear,
  camerasPrivate,
  mainsAtDevice,
  returnAudio,
  speakerChains,
  neutralThere,
  surgeProtected,
  aerialBonded,
  rackFrontClear,
  sealsClosed,
  roomsDiscussed,
  askedFor,
];

/** What a rule says of the project as it stands, once for each state of what it reads. */
export function runChecks(
  document: ProjectDocument,
  runs: readonly PlannedRun[] = planRuns(document),
  today?: string,
): Finding[] {
  const settings = settingsOf(document);
  const contextOf = (check: Check): CheckContext => ({
    document,
    runs,
    today,
    limit: (name) => limitOf(document, check, name),
  });
  // In the order of their ranks, then of their rules, without comparing thousands of them.
  const sorted = new Map<number, Finding[]>();
  const add = (draft: Finding | FindingDraft) => {
    const finding = bound(draft, document);
    const rank = settings.get(finding.check)?.rank;
    const told = rank && finding.rank !== 'fine' && finding.rank !== rank ? withRank(finding, rank) : finding;
    const at = ORDER[told.rank] * CHECKS.length + (PLACES.get(told.check) ?? 0);
    const those = sorted.get(at);
    if (those) those.push(told);
    else sorted.set(at, [told]);
  };
  for (const check of HOUSE_CHECKS) if (holds(check, document)) for (const found of ofHouse(check, contextOf(check))) add(found);
  const runChecks = RUN_CHECKS.filter((check) => holds(check, document));
  const runPass = passOver(runChecks, contextOf, RUN_READS, document, today, 'ofRun');
  for (const planned of runs) for (const draft of runPass(planned)) add(draft);
  const deviceChecks = DEVICE_CHECKS.filter((check) => holds(check, document));
  const devicePass = passOver(deviceChecks, contextOf, DEVICE_READS, document, today, 'ofDevice');
  for (const device of listOf(document, 'devices')) for (const draft of devicePass(device)) add(draft);
  return [...sorted].sort(([a], [b]) => a - b).flatMap(([, those]) => those);
}

const PLACES = new Map(CHECKS.map(({ id }, n) => [id, n]));
const HOUSE_CHECKS = CHECKS.filter((check): check is HouseCheck => 'run' in check);
const RUN_CHECKS = CHECKS.filter((check): check is RunCheck => 'ofRun' in check);
const DEVICE_CHECKS = CHECKS.filter((check): check is DeviceCheck => 'ofDevice' in check);

/** Whether a rule is on and holds in the region of the project. */
const holds = (check: Check, document: ProjectDocument): boolean =>
  !settingsOf(document).get(check.id)?.off && (!check.regions || check.regions.includes(document.project.jurisdiction));

interface Kept {
  readonly tables: readonly unknown[];
  readonly findings: readonly (Finding | FindingDraft)[];
}
const kept = new Map<Check, readonly Kept[]>();
/** A project, its preview and the one before it: as many are looked at in turn. */
const MOST_KEPT = 3;

function ofHouse(check: HouseCheck, context: CheckContext): readonly (Finding | FindingDraft)[] {
  if (!check.reads) return check.run(context);
  const tables: unknown[] = check.reads.map((name) => context.document[name]);
  if (check.limits) tables.push(context.document.ruleSettings);
  const known = kept.get(check) ?? [];
  const same = known.find((one) => one.tables.every((table, i) => table === tables[i]));
  if (same) return same.findings;
  const findings = check.run(context);
  kept.set(check, [{ tables, findings }, ...known].slice(0, MOST_KEPT));
  return findings;
}

interface Stamp {
  readonly tables: readonly unknown[];
}
/** States of the tables that rules about single things read, so that one comparison says whether they are the same. */
const stamps: Record<'ofRun' | 'ofDevice', readonly Stamp[]> = { ofRun: [], ofDevice: [] };
const saidOf = { ofRun: new WeakMap<object, Said>(), ofDevice: new WeakMap<object, Said>() };
interface Said {
  readonly stamp: Stamp;
  readonly drafts: readonly FindingDraft[];
}
const NOTHING: readonly FindingDraft[] = [];

/** Runs all rules about one kind of thing on one after the other; what they said of a thing is kept while nothing of it changed. */
function passOver<K extends 'ofRun' | 'ofDevice'>(
  checks: readonly (K extends 'ofRun' ? RunCheck : DeviceCheck)[],
  contextOf: (check: Check) => CheckContext,
  reads: readonly CollectionName[],
  document: ProjectDocument,
  today: string | undefined,
  kind: K,
): (thing: K extends 'ofRun' ? PlannedRun : Device) => readonly FindingDraft[] {
  const tables: unknown[] = [document.project, today, ...reads.map((name) => document[name])];
  let stamp = stamps[kind].find((one) => one.tables.every((table, i) => table === tables[i]));
  stamps[kind] = [(stamp ??= { tables }), ...stamps[kind].filter((one) => one !== stamp)].slice(0, MOST_KEPT);
  const contexts = checks.map(contextOf);
  const said = saidOf[kind];
  return (thing) => {
    const known = said.get(thing);
    if (known?.stamp === stamp) return known.drafts;
    const all = checks.flatMap((check, n) =>
      (check as unknown as Record<string, (of: unknown, context: CheckContext) => FindingDraft[]>)[kind](thing, contexts[n]),
    );
    const drafts = all.length > 0 ? all : NOTHING;
    said.set(thing, { stamp, drafts });
    return drafts;
  };
}

const NO_CURES: readonly Cure[] = [];
const isFinding = (one: Finding | FindingDraft): one is Finding => Array.isArray(one.cures);
const boundOf = new WeakMap<FindingDraft, { readonly document: ProjectDocument; readonly finding: Finding }>();

/** A finding whose cures are for this project. */
function bound(draft: Finding | FindingDraft, document: ProjectDocument): Finding {
  if (isFinding(draft)) return draft;
  const known = boundOf.get(draft);
  const { cures: make, ...rest } = draft;
  if (known && (!make || known.document === document)) return known.finding;
  let cures: readonly Cure[] | null = make ? null : NO_CURES;
  const finding: Finding = {
    ...rest,
    get cures() {
      return (cures ??= make!(document));
    },
  };
  boundOf.set(draft, { document, finding });
  draftOf.set(finding, draft);
  return finding;
}

const draftOf = new WeakMap<Finding, FindingDraft>();

/** The same value for the same finding, also where it was bound to another state of the project. */
export const sameFinding = (finding: Finding): object => draftOf.get(finding) ?? finding;

/** A finding at the rank that the firm wants it to have. */
function withRank(finding: Finding, rank: Rank): Finding {
  const { check, code, subjects, measured, allowed, unit, figures } = finding;
  return {
    check,
    rank,
    code,
    subjects,
    measured,
    allowed,
    unit,
    figures,
    get cures() {
      return finding.cures;
    },
  };
}
