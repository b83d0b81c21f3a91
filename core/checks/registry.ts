import { MOST_KEPT, listOf, type Device, type ProjectDocument } from '../project/index.ts';
import type { PlannedRun } from '../runs/index.ts';
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
import { boresApart } from './bores-apart.ts';
import { notchesAllowed } from './notches-allowed.ts';
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
  RUN_READS,
  type Check,
  type CheckContext,
  type DeviceCheck,
  type Finding,
  type FindingDraft,
  type HouseCheck,
  type RunCheck,
} from './check.ts';
import { lookAt, slotOf } from './bound.ts';
import { HousePass } from './house-pass.ts';
import { Pass, type Asking } from './pass.ts';
import { clearOfMains } from './clear-of-mains.ts';
import { conductorsFit } from './conductors-fit.ts';
import { cavitiesKnown, ceilingAboveHeads, levelsApart, openingsFit, roomsClosed } from './house-sound.ts';
import { changedAfterBoards, keptRouteDiffers } from './kept-route-differs.ts';
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
  boresApart,
  notchesAllowed,
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
  changedAfterBoards,
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

const PLACES = new Map(CHECKS.map(({ id }, n) => [id, n]));
const HOUSE_CHECKS = CHECKS.filter((check): check is HouseCheck => 'run' in check);
const RUN_CHECKS = CHECKS.filter((check): check is RunCheck => 'ofRun' in check);
const DEVICE_CHECKS = CHECKS.filter((check): check is DeviceCheck => 'ofDevice' in check);
const housePasses = HOUSE_CHECKS.map((check) => ({ check, pass: new HousePass() }));
const runPass = new Pass<PlannedRun>(RUN_READS);
const devicePass = new Pass<Device>(DEVICE_READS);

/** What every rule says of the project as it stands on a day, YYYY-MM-DD: the worst first, then in the order of rules. Only what changed is asked again. */
export function runChecks(document: ProjectDocument, runs: readonly PlannedRun[], today: string): Finding[] {
  const settings = settingsOf(document);
  const contextOf = (check: Check): CheckContext => ({ document, runs, today, limit: (name) => limitOf(document, check, name) });
  const inForce = <C extends Check>(checks: readonly C[]) =>
    checks.flatMap((check) => (holds(check, document) ? [{ check, context: contextOf(check) }] : []));
  const how = {
    rankOf: (check: string) => settings.get(check)?.rank ?? null,
    slotOf: (finding: Finding) => slotOf(finding, PLACES.get(finding.check) ?? 0, CHECKS.length),
  };
  const look = { document, today, before: lookAt(document) };
  const slots: (readonly Finding[])[] = [];
  // Rules in force are asked for once, and only where something has to be looked at again.
  let onRuns: { check: RunCheck; context: CheckContext }[] | null = null;
  let onDevices: { check: DeviceCheck; context: CheckContext }[] | null = null;
  const ofRun: Asking<PlannedRun> = {
    ...how,
    drafts: (planned) => {
      const drafts: FindingDraft[] = [];
      for (const { check, context } of (onRuns ??= inForce(RUN_CHECKS)))
        for (const draft of check.ofRun(planned, context)) drafts.push(draft);
      return drafts;
    },
  };
  const ofDevice: Asking<Device> = {
    ...how,
    drafts: (device) => {
      const drafts: FindingDraft[] = [];
      for (const { check, context } of (onDevices ??= inForce(DEVICE_CHECKS)))
        for (const draft of check.ofDevice(device, context)) drafts.push(draft);
      return drafts;
    },
  };
  for (const { check, pass } of housePasses) {
    const found = holds(check, document) ? ofHouse(check, contextOf(check)) : NOTHING;
    for (const [slot, those] of pass.over(found, how.rankOf(check.id), look.before, how.slotOf)) slots[slot] = those;
  }
  runPass.over(runs, look, ofRun).forEach((those, slot) => (slots[slot] = those));
  devicePass.over(listOf(document, 'devices'), look, ofDevice).forEach((those, slot) => (slots[slot] = those));
  const told: Finding[] = [];
  slots.forEach((those) => {
    for (const one of those) told.push(one);
  });
  return told;
}

const NOTHING: readonly FindingDraft[] = [];

/** Whether a rule is on and holds in the region of the project. */
const holds = (check: Check, document: ProjectDocument): boolean =>
  !settingsOf(document).get(check.id)?.off && (!check.regions || check.regions.includes(document.project.jurisdiction));

interface Kept {
  readonly tables: readonly unknown[];
  readonly findings: readonly (Finding | FindingDraft)[];
}
const kept = new Map<Check, readonly Kept[]>();

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
