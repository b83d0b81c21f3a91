import {
  type CableType,
  create,
  type Device,
  type HeadEndRule,
  type Operation,
  type ProjectDocument,
  type Rack,
  remove,
  type Run,
  type SystemName,
  update,
} from '../../model/index.ts';
import { nearestHeadEnd } from '../../house/index.ts';
import { edited, listOf, withoutRecords, withRecords } from '../../derive/index.ts';
import {
  cutFromSpool,
  bundleFor,
  isKept,
  plannedRun,
  planRuns,
  runNumberFor,
  spendNumber,
  takenNumbers,
  usualRackSlackM,
} from '../../runs/index.ts';

/** The head end that is nearest to a place: the last resort, where no rule names one. */
export function nearestRack(project: ProjectDocument, device: Pick<Device, 'x' | 'y' | 'levelId'>): Rack | undefined {
  return nearestHeadEnd(listOf(project, 'racks'), device);
}

/** The rule that counts for a cable of a system: one of its family, else one of the system. */
export function headEndRuleFor(
  project: Pick<ProjectDocument, 'headEndRules'>,
  { family, system }: { readonly family: string; readonly system: SystemName },
): HeadEndRule | undefined {
  const rules = listOf(project, 'headEndRules');
  return rules.find((rule) => rule.family !== '' && rule.family === family) ?? rules.find((rule) => rule.system === system);
}

/**
 * The head end of a home run: by the rule of its cable family or of its device's system, else the nearest.
 * A link between racks goes on from the one at which it stands.
 */
export function headEndFor(project: ProjectDocument, device: Device, cable: Pick<CableType, 'family'>): Rack | undefined {
  const nearest = nearestRack(project, device);
  const { mount, system } = project.deviceTypes[device.typeId];
  const rule = headEndRuleFor(project, { family: cable.family, system });
  const byRule = rule && project.racks[rule.rackId];
  if (mount !== 'rack' || !nearest) return byRule ?? nearest;
  if (byRule && byRule.id !== nearest.id) return byRule;
  return nearestRack(withoutRecords(project, 'racks', [nearest.id]), device);
}

/** What a home run has at another head end; its number too where the scheme names head ends or their ports. */
export function atHeadEnd(project: ProjectDocument, run: Run, rack: Rack): Partial<Run> {
  const device = project.devices[run.deviceId];
  const wanted = runNumberFor(project, device, run.leg, rack.id);
  const hasPlace = /\{(rack|port)\}/.test(project.project.numberPattern);
  return {
    rackId: rack.id,
    toDeviceId: null,
    bundle: bundleFor(project, device, rack.id, device),
    rackSlackM: usualRackSlackM(project.project, rack),
    ...(hasPlace && !takenNumbers(project).has(wanted) ? { number: wanted, printedOn: '', printedAs: '' } : {}),
  };
}

/** What a change of rules does to the runs that are there. */
export interface HeadEndChange {
  /** Drafted runs that go to another head end. */
  readonly moved: readonly { readonly run: Run; readonly from: Rack; readonly to: Rack }[];
  /** Issued or further: they stay where they are. */
  readonly kept: readonly Run[];
  readonly operations: readonly Operation[];
}

/** What moving runs to other head ends costs: their cut lengths before and after, m; runs without a route on either side are left out. */
export function headEndLengths(
  project: ProjectDocument,
  { moved, operations }: HeadEndChange,
): { beforeM: number; afterM: number } {
  const applied = edited(project, operations);
  let [beforeM, afterM] = [0, 0];
  if (!applied.ok) return { beforeM, afterM };
  for (const { run } of moved) {
    const [before, after] = [plannedRun(project, run.id).length, plannedRun(applied.value, run.id).length];
    if (!before || !after) continue;
    beforeM += before.cutLengthM;
    afterM += after.cutLengthM;
  }
  return { beforeM, afterM };
}

/** The home runs of a system at a head end, with their cut lengths, m; runs without a route count with none. */
export interface HeadEndLoad {
  readonly system: SystemName;
  readonly runs: number;
  readonly cutLengthM: number;
}

export interface HeadEndReport {
  readonly headEnds: readonly (Pick<Rack, 'id' | 'name' | 'kind' | 'entry'> & { readonly systems: readonly HeadEndLoad[] })[];
  readonly rules: readonly (Pick<HeadEndRule, 'family' | 'system'> & { readonly headEnd: string })[];
}

/** What ends where: every head end with its home runs by system, and the rules that say so. */
export function headEndReport(project: ProjectDocument): HeadEndReport {
  const homes = planRuns(project).filter(({ run }) => run.toDeviceId === null);
  const loadsAt = (rackId: string) => {
    const loads = new Map<SystemName, HeadEndLoad>();
    for (const planned of homes) {
      const { run, device } = planned;
      if (run.rackId !== rackId) continue;
      const { system } = project.deviceTypes[device.typeId];
      const { runs, cutLengthM } = loads.get(system) ?? { runs: 0, cutLengthM: 0 };
      loads.set(system, { system, runs: runs + 1, cutLengthM: cutLengthM + cutFromSpool(planned) });
    }
    return [...loads.values()];
  };
  return {
    headEnds: listOf(project, 'racks').map(({ id, name, kind, entry }) => ({ id, name, kind, entry, systems: loadsAt(id) })),
    rules: listOf(project, 'headEndRules').map(({ family, system, rackId }) => ({
      family,
      system,
      headEnd: project.racks[rackId].name,
    })),
  };
}

export type RuleKey = Pick<HeadEndRule, 'family' | 'system'>;

/**
 * Names the head end of a cable family or of a system, or with null takes the rule away, and says which runs that moves.
 * `newId` is the id of a rule that is new.
 */
export function setHeadEndRule(project: ProjectDocument, key: RuleKey, rackId: string | null, newId: string): HeadEndChange {
  const there = listOf(project, 'headEndRules').find(({ family, system }) => family === key.family && system === key.system);
  const rule = rackId === null ? null : { id: there?.id ?? newId, ...key, rackId };
  const others = there ? withoutRecords(project, 'headEndRules', [there.id]) : project;
  const next = rule ? withRecords(others, 'headEndRules', [rule]) : others;
  const first = !rule
    ? there && remove('headEndRules', there)
    : there
      ? update('headEndRules', there, { rackId: rule.rackId })
      : create('headEndRules', rule);
  const change = followHeadEndRules(next, (cable, device) => isFor(key, cable, next.deviceTypes[device.typeId].system));
  return { ...change, operations: [...(first ? [first] : []), ...change.operations] };
}

const isFor = (key: RuleKey, { family }: CableType, system: SystemName) =>
  key.family === '' ? key.system === system : key.family === family;

/** Takes drafted home runs to the head ends that the rules name; `counts` says for which of them. */
export function followHeadEndRules(
  project: ProjectDocument,
  counts: (cable: CableType, device: Device) => boolean = () => true,
): HeadEndChange {
  const moved: HeadEndChange['moved'][number][] = [];
  const kept: Run[] = [];
  const operations: (Operation | null)[] = [];
  let working = project;
  for (const run of listOf(project, 'runs')) {
    const [device, cable] = [project.devices[run.deviceId], project.cableTypes[run.cableTypeId]];
    if (run.toDeviceId !== null || !counts(cable, device)) continue;
    const to = headEndFor(project, device, cable);
    if (!to || to.id === run.rackId) continue;
    if (isKept(run)) {
      kept.push(run);
      continue;
    }
    const after = atHeadEnd(working, run, to);
    if (after.number !== undefined && after.number !== run.number) operations.push(spendNumber(working, run));
    operations.push(update('runs', run, after));
    moved.push({ run, from: project.racks[run.rackId], to });
    working = withRecords(working, 'runs', [{ ...run, ...after }]);
  }
  return { moved, kept, operations: operations.filter((operation) => operation !== null) };
}
