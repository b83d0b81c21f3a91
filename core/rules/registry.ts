import { type ProjectDocument, type RuleSetting, sameItems, sameValue } from '../model/index.ts';
import { inNumberOrder, NUMBER_ORDER, PLANNED_RUN, PLANNED_RUNS } from '../runs/index.ts';
import { type AnyNode, derivationsOn, each, type Reading, whole } from '../derive/index.ts';
import { findingKey } from './marks/index.ts';
import { aerialBonded } from './aerial-bonded.ts';
import { surgeProtected } from './surge-protected.ts';
import { askedFor } from './asked-for.ts';
import { opticalInConduit } from './optical-in-conduit.ts';
import { laterPreWired } from './later-pre-wired.ts';
import { outdoorsInBrief } from './outdoors-in-brief.ts';
import { roomsDiscussed } from './rooms-discussed.ts';
import { sealsClosed } from './seals-closed.ts';
import { bondLength } from './bond-length.ts';
import { cableAsType } from './cable-as-type.ts';
import { camerasPrivate } from './cameras-private.ts';
import { clearOfServices } from './clear-of-services.ts';
import { coaxLossCheck } from './coax-loss.ts';
import { copperClad } from './copper-clad.ts';
import { dataLength } from './data-length.ts';
import { existingReused } from './existing-reused.ts';
import { controlPaths } from './control-paths.ts';
import { endsLabelled } from './ends-labelled.ts';
import { familiesAgree } from './families-agree.ts';
import { runsAskedFor } from './runs-asked-for.ts';
import { drillRoom } from './drill-room.ts';
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
import { voltageOnChains } from './voltage-on-chains.ts';
import { wetZonesClear } from './wet-zones-clear.ts';
import { bendsFit } from './bends-fit.ts';
import { boresApart } from './bores-apart.ts';
import { notchesAllowed } from './notches-allowed.ts';
import { boresAllowed } from './bores-allowed.ts';
import { briefMet } from './brief-met.ts';
import { decisionsInTime } from './decisions-in-time.ts';
import { nothingOnPurpose } from './nothing-on-purpose.ts';
import { signedRooms } from './signed-rooms.ts';
import { bundlesSound } from './bundles-sound.ts';
import { conduitsPlanned } from './conduits-planned.ts';
import { jacketsFit } from './jackets-fit.ts';
import { jacketsToldApart } from './jackets-told-apart.ts';
import { legsComplete } from './legs-complete.ts';
import { screedSound } from './screed-sound.ts';
import { pathwaysOpen } from './pathways-open.ts';
import { pathwaysFit } from './pathways-fit.ts';
import { buildable } from './buildable.ts';
import {
  type Check,
  type CheckContext,
  type DeviceCheck,
  type Finding,
  type HouseCheck,
  ORDER,
  type RuleFinding,
  type RunCheck,
} from './check.ts';
import { clearOfMains } from './clear-of-mains.ts';
import { conductorsFit } from './conductors-fit.ts';
import { cavitiesKnown } from './cavities-known.ts';
import { ceilingAboveHeads } from './ceiling-above-heads.ts';
import { levelsApart } from './levels-apart.ts';
import { openingsFit } from './openings-fit.ts';
import { roomsClosed } from './rooms-closed.ts';
import { changedAfterBoards } from './changed-after-boards.ts';
import { keptRouteDiffers } from './kept-route-differs.ts';
import { oneThermostat } from './one-thermostat.ts';
import { platesSound } from './plates-sound.ts';
import { rulesKept } from './rules-kept.ts';
import { routeMissing } from './route-missing.ts';
import { limitIn, SETTINGS } from './settings.ts';
import { speakerCableLossCheck } from './speaker-cable-loss.ts';
import { channelAngles } from './channel-angles.ts';
import { channelElevations } from './channel-elevations.ts';
import { speakersInSight } from './speakers-in-sight.ts';
import { pairsEven } from './pairs-even.ts';
import { seatsOffNodes } from './seats-off-nodes.ts';
import { rowsApart } from './rows-apart.ts';
import { rowsSee } from './rows-see.ts';
import { riserAccess } from './riser-access.ts';
import { screenMargins } from './screen-margins.ts';
import { pictureHeight } from './picture-height.ts';
import { projectorThrow } from './projector-throw.ts';
import { lensShift } from './lens-shift.ts';
import { pictureBright } from './picture-bright.ts';
import { frontWall } from './front-wall.ts';
import { projectorFixed } from './projector-fixed.ts';
import { surroundsDirect } from './surrounds-direct.ts';
import { headEndPorts } from './head-end-ports.ts';
import { switchPower } from './switch-power.ts';
import { panelCategory } from './panel-category.ts';
import { equipmentFits } from './equipment-fits.ts';
import { rackWeight } from './rack-weight.ts';
import { headEndHeat } from './head-end-heat.ts';
import { signalPath } from './signal-path.ts';
import { rfLevel } from './rf-level.ts';
import { rfTerminated } from './rf-terminated.ts';
import { scenePaths } from './scene-paths.ts';
import { exhaustSeparation } from './exhaust-separation.ts';
import { securityLoops } from './security-loops.ts';
import { circuitsBear } from './circuits-bear.ts';
import { upsHolds } from './ups-holds.ts';
import { amplifierLoad } from './amplifier-load.ts';
import { supplyOutputs } from './supply-outputs.ts';
import { recorderHolds } from './recorder-holds.ts';

/** Every rule of the product. */
export const CHECKS: readonly Check[] = [
  speakerCableLossCheck,
  pathwaysOpen,
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
  pathwaysFit,
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
  drillRoom,
  controlPaths,
  runsAskedFor,
  familiesAgree,
  endsLabelled,
  voltageAtLoad,
  voltageOnChains,
  pictureReachCheck,
  opticalInConduit,
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
  existingReused,
  surgeProtected,
  aerialBonded,
  rackFrontClear,
  sealsClosed,
  roomsDiscussed,
  outdoorsInBrief,
  laterPreWired,
  askedFor,
  channelAngles,
  channelElevations,
  speakersInSight,
  pairsEven,
  seatsOffNodes,
  rowsSee,
  rowsApart,
  riserAccess,
  screenMargins,
  pictureHeight,
  projectorThrow,
  lensShift,
  pictureBright,
  frontWall,
  projectorFixed,
  surroundsDirect,
  headEndPorts,
  switchPower,
  panelCategory,
  equipmentFits,
  rackWeight,
  headEndHeat,
  signalPath,
  rfLevel,
  rfTerminated,
  scenePaths,
  exhaustSeparation,
  securityLoops,
  circuitsBear,
  upsHolds,
  amplifierLoad,
  supplyOutputs,
  recorderHolds,
];

const PLACES = new Map(CHECKS.map(({ id }, n) => [id, n]));

/** The rules that hold in a project, with how each is set. */
interface InForce {
  readonly holds: ReadonlySet<Check>;
  readonly settings: ReadonlyMap<string, RuleSetting>;
  readonly jurisdiction: string;
}

const IN_FORCE = whole<InForce>({
  name: 'rules in force',
  tables: ['project'],
  nodes: [SETTINGS],
  make: (read) => {
    const settings = read.get(SETTINGS);
    const { jurisdiction } = read.project.project;
    const holds = CHECKS.filter(({ id, regions }) => !settings.get(id)?.off && (!regions || regions.includes(jurisdiction)));
    return { holds: new Set(holds), settings, jurisdiction };
  },
  alike: (a, b) => a.settings === b.settings && a.jurisdiction === b.jurisdiction,
});

/** What a rule may look at; asked for by every rule about every run, so nothing is made before it is wanted. */
class Context implements CheckContext {
  readonly project: ProjectDocument;

  constructor(
    private readonly check: Check,
    readonly read: Reading,
    private readonly settings: ReadonlyMap<string, RuleSetting>,
  ) {
    this.project = read.project;
  }

  get runs() {
    return this.read.get(PLANNED_RUNS);
  }

  get today() {
    return this.read.today;
  }

  get limit() {
    return (name: string) => limitIn(this.settings, this.check, name);
  }
}

const NOTHING: readonly Finding[] = [];

/** Findings as they are told: with their rule, at the rank that the firm gives to them. */
function toldAs(said: readonly RuleFinding[], check: Check, { settings }: InForce): readonly Finding[] {
  const rank = settings.get(check.id)?.rank ?? null;
  return said.map(({ rank: own, code, subjects, measured, allowed, unit, figures, cures }) => ({
    check: check.id,
    rank: rank === null || own === 'fine' ? own : rank,
    code,
    subjects,
    measured,
    allowed,
    unit,
    figures,
    cures,
  }));
}

const sameFinding = ({ cures: _, ...a }: Finding, { cures: __, ...b }: Finding) => sameValue(a, b);

/** What was said before stays where the same is said again: its cures are made for the project in which somebody looks at them. */
const sameFindings = (a: readonly Finding[], b: readonly Finding[]) =>
  a.length === b.length && a.every((one, n) => one === b[n] || sameFinding(one, b[n]));

const isHouse = (check: Check): check is HouseCheck => 'run' in check;
const isRun = (check: Check): check is RunCheck => 'ofRun' in check;
const isDevice = (check: Check): check is DeviceCheck => 'ofDevice' in check;

const HOUSE_NODES = CHECKS.filter(isHouse).map((check) =>
  whole<readonly Finding[]>({
    name: `rule ${check.id}`,
    tables: check.reads,
    nodes: [IN_FORCE, ...(check.nodes ?? [])],
    day: check.day,
    make: (read, last) => {
      const inForce = read.get(IN_FORCE);
      if (!inForce.holds.has(check)) return NOTHING;
      const found = toldAs(check.run(new Context(check, read, inForce.settings)), check, inForce);
      return last ? heldOn(last.value, found) : found;
    },
    alike: sameItems,
  }),
);

/** Findings with those of before in the place of the ones that say the same. */
function heldOn(before: readonly Finding[], now: readonly Finding[]): readonly Finding[] {
  if (before.length === 0 || now.length === 0) return now;
  const known = new Map(before.map((one) => [findingKey(one), one]));
  return now.map((one) => {
    const was = known.get(findingKey(one));
    return was && (was === one || sameFinding(was, one)) ? was : one;
  });
}

/** Rules about one kind of thing that read the same: they are asked together. */
function alikeIn<C extends RunCheck | DeviceCheck>(checks: readonly C[]): C[][] {
  const groups = new Map<string, C[]>();
  for (const check of checks) {
    const beside = 'beside' in check ? check.beside : undefined;
    const key =
      [...check.reads].sort().join() + [...(check.nodes ?? []), ...(beside ?? [])].map(({ name }) => name).join() + check.day;
    const group = groups.get(key);
    if (group) group.push(check);
    else groups.set(key, [check]);
  }
  return [...groups.values()];
}

const nameOf = (checks: readonly Check[]) => `rules ${checks.map(({ id }) => id).join(', ')}`;

/** What some rules say of one thing. */
function foundBy<C extends Check>(
  checks: readonly C[],
  read: Reading,
  of: (check: C, context: CheckContext) => readonly RuleFinding[],
) {
  const inForce = read.get(IN_FORCE);
  let found: Finding[] | null = null;
  for (const check of checks) {
    if (!inForce.holds.has(check)) continue;
    const those = of(check, new Context(check, read, inForce.settings));
    if (those.length > 0) (found ??= []).push(...toldAs(those, check, inForce));
  }
  return found ?? NOTHING;
}

const RUN_NODES = alikeIn(CHECKS.filter(isRun)).map((checks) =>
  each<'runs', readonly Finding[]>({
    name: nameOf(checks),
    over: 'runs',
    tables: checks[0].reads,
    nodes: [IN_FORCE, ...(checks[0].nodes ?? [])],
    day: checks[0].day,
    beside: [PLANNED_RUN],
    make: ({ id }, read) => {
      const planned = read.one(PLANNED_RUN, id)!;
      return foundBy(checks, read, (check, context) =>
        check.newCableOnly && planned.run.foundId !== null ? [] : check.ofRun(planned, context),
      );
    },
    alike: sameFindings,
  }),
);

const DEVICE_NODES = alikeIn(CHECKS.filter(isDevice)).map((checks) =>
  each<'devices', readonly Finding[]>({
    name: nameOf(checks),
    over: 'devices',
    tables: checks[0].reads,
    nodes: [IN_FORCE, ...(checks[0].nodes ?? [])],
    day: checks[0].day,
    beside: checks[0].beside,
    make: (device, read) => foundBy(checks, read, (check, context) => check.ofDevice(device, context)),
    alike: sameFindings,
  }),
);

/** Findings by their place among all: by rank, then by rule. */
type Slots = readonly (readonly Finding[] | undefined)[];

const slotOf = ({ rank, check }: Finding): number => ORDER[rank] * CHECKS.length + PLACES.get(check)!;

function slotted(lists: Iterable<readonly Finding[]>): Slots {
  const slots: Finding[][] = [];
  for (const found of lists) if (found !== NOTHING) for (const one of found) (slots[slotOf(one)] ??= []).push(one);
  return slots;
}

/** Put together for the rules that read the same, so that an edit has only those put together again that it concerns. */
const SLOTS = [
  ...HOUSE_NODES.map((node) =>
    whole<Slots>({ name: `${node.name}, by rank`, nodes: [node], day: true, make: (read) => slotted([read.get(node)]) }),
  ),
  ...RUN_NODES.map((node) =>
    whole<Slots>({
      name: `${node.name}, by rank`,
      nodes: [node as unknown as AnyNode, NUMBER_ORDER],
      day: true,
      make: (read) => slotted(inNumberOrder(read, node)),
    }),
  ),
  ...DEVICE_NODES.map((node) =>
    whole<Slots>({
      name: `${node.name}, by rank`,
      nodes: [node as unknown as AnyNode],
      day: true,
      make: (read) => slotted(read.all(node)),
    }),
  ),
];

/** What every rule says of the project on its day: the worst first, then in the order of rules. */
export const FINDINGS = whole<readonly Finding[]>({
  name: 'findings',
  nodes: SLOTS,
  day: true,
  make: (read) => {
    const all = SLOTS.map((node) => read.get(node));
    const told: Finding[] = [];
    for (let slot = 0; slot < 3 * CHECKS.length; slot++)
      for (const slots of all) for (const one of slots[slot] ?? NOTHING) told.push(one);
    return told;
  },
});

/** What every rule says of the project as it stands on a day, YYYY-MM-DD. */
export const runChecks = (project: ProjectDocument, today: string): readonly Finding[] =>
  derivationsOn(project, today).get(FINDINGS);
