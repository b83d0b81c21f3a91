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
  const slots: Finding[][] = [];
  const put = (finding: Finding, place: number) => (slots[ORDER[finding.rank] * CHECKS.length + place] ??= []).push(finding);
  const add = (one: Bound) => {
    const finding = one.to(document);
    const rank = settings.size === 0 ? null : settings.get(finding.check)?.rank;
    put(rank && finding.rank !== 'fine' && finding.rank !== rank ? withRank(finding, rank) : finding, one.place);
  };
  for (const check of HOUSE_CHECKS)
    if (holds(check, document))
      for (const found of ofHouse(check, contextOf(check))) {
        if (isFinding(found)) add(ready(found));
        else add(boundTo(found));
      }
  const runPass = passOver(RUN_CHECKS, contextOf, RUN_READS, document, today, 'ofRun');
  for (const planned of runs) for (const one of runPass(planned)) add(one);
  const devicePass = passOver(DEVICE_CHECKS, contextOf, DEVICE_READS, document, today, 'ofDevice');
  for (const device of listOf(document, 'devices')) for (const one of devicePass(device)) add(one);
  return slots.flatMap((those) => those ?? []);
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
  readonly found: readonly Bound[];
}
const NOTHING: readonly Bound[] = [];

/** Runs all rules about one kind of thing on one after the other; what they said of a thing is kept while nothing of it changed. */
function passOver<K extends 'ofRun' | 'ofDevice'>(
  all: readonly (K extends 'ofRun' ? RunCheck : DeviceCheck)[],
  contextOf: (check: Check) => CheckContext,
  reads: readonly CollectionName[],
  document: ProjectDocument,
  today: string | undefined,
  kind: K,
): (thing: K extends 'ofRun' ? PlannedRun : Device) => readonly Bound[] {
  const tables: unknown[] = [document.project, today, ...reads.map((name) => document[name])];
  let stamp = stamps[kind].find((one) => one.tables.every((table, i) => table === tables[i]));
  stamps[kind] = [(stamp ??= { tables }), ...stamps[kind].filter((one) => one !== stamp)].slice(0, MOST_KEPT);
  const checks = all.filter((check) => holds(check, document));
  const contexts = checks.map(contextOf);
  const said = saidOf[kind];
  return (thing) => {
    const known = said.get(thing);
    if (known?.stamp === stamp) return known.found;
    const drafts = checks.flatMap((check, n) =>
      (check as unknown as Record<string, (of: unknown, context: CheckContext) => FindingDraft[]>)[kind](thing, contexts[n]),
    );
    const found = drafts.length > 0 ? drafts.map((draft) => new Bound(draft)) : NOTHING;
    said.set(thing, { stamp, found });
    return found;
  };
}

const NO_CURES: readonly Cure[] = [];
const isFinding = (one: Finding | FindingDraft): one is Finding => Array.isArray(one.cures);

/** A finding of a draft; its cures are those for the project in which it was found last. */
class Bound {
  private document: ProjectDocument | null = null;
  private cures: readonly Cure[] | null = null;
  readonly finding: Finding;

  /** Place of its rule among all. */
  readonly place: number;

  constructor(private readonly draft: FindingDraft | Finding) {
    this.place = PLACES.get(draft.check) ?? 0;
    if (isFinding(draft)) {
      this.finding = draft;
      return;
    }
    const { cures: make, ...rest } = draft;
    if (!make) this.finding = { ...rest, cures: NO_CURES };
    else {
      // The getter of the finding looks at what is bound here.
      const made = () => (this.cures ??= make(this.document!));
      this.finding = {
        ...rest,
        get cures() {
          return made();
        },
      };
    }
    boundOf.set(this.finding, this);
  }

  to(document: ProjectDocument): Finding {
    if (this.document !== document) {
      this.document = document;
      this.cures = null;
    }
    return this.finding;
  }

  curesIn(document: ProjectDocument): readonly Cure[] {
    return isFinding(this.draft) ? this.draft.cures : (this.draft.cures?.(document) ?? NO_CURES);
  }
}
const boundFrom = new WeakMap<FindingDraft, Bound>();
const boundOf = new WeakMap<Finding, Bound>();

function boundTo(draft: FindingDraft): Bound {
  let known = boundFrom.get(draft);
  if (!known) boundFrom.set(draft, (known = new Bound(draft)));
  return known;
}

/** A finding whose cures are there already. */
const readyOf = new WeakMap<Finding, Bound>();
function ready(finding: Finding): Bound {
  let known = readyOf.get(finding);
  if (!known) readyOf.set(finding, (known = new Bound(finding)));
  return known;
}

/** The cures of a finding for this state of the project, whatever was looked at since. */
export const curesFor = (finding: Finding, document: ProjectDocument): readonly Cure[] =>
  boundOf.get(finding)?.curesIn(document) ?? finding.cures;

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
