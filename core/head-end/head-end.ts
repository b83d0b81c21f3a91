import { whole } from '../derive/index.ts';
import { type Equipment, type Patch, type PortKind, type Rack, sameItems, type Termination } from '../model/index.ts';
import type { RunNeed } from './needs.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import { portAt, portKey, takesRuns } from './ports.ts';
import { RUN_LOADS, type RunLoad } from './run-loads.ts';
import {
  type AmplifierLoad,
  amplifierLoads,
  type PoeUse,
  poeUses,
  type RecorderUse,
  recorderUse,
  type SupplyUse,
  supplyUses,
} from './uses.ts';
import { type HeadEndPower, powerOf } from './power.ts';

/** Ports of a kind: what runs need, with spare, and what there is. */
export interface PortBudget {
  readonly kind: PortKind;
  readonly needed: number;
  /** With what is kept spare. */
  readonly wanted: number;
  readonly there: number;
  readonly used: number;
}

/** A head end with all that stands in it and ends there, and its budgets. */
export interface HeadEnd {
  readonly rack: Rack;
  readonly equipment: readonly Equipment[];
  readonly needs: readonly RunNeed[];
  /** Runs that end on no port yet. */
  readonly open: readonly RunNeed[];
  readonly terminations: ReadonlyMap<string, Termination>;
  readonly patches: readonly Patch[];
  readonly ports: readonly PortBudget[];
  readonly units: { readonly total: number; readonly used: number; readonly free: number };
  readonly weightKg: number;
  readonly poe: readonly PoeUse[];
  readonly recorder: RecorderUse | null;
  readonly amplifiers: readonly AmplifierLoad[];
  readonly supplies: readonly SupplyUse[];
  readonly power: HeadEndPower;
}

/** Spare ports by practice (ENGINEERING 15.1). */
export const SPARE = 1.25;
/** Kinds of ports of which a quarter is kept spare; channels, outputs of pictures and relays are chosen by count. */
const SPARED: ReadonlySet<PortKind> = new Set(['data', 'coax', 'fibre', 'zone', 'bus', 'power']);
export const spareOf = (kind: PortKind): number => (SPARED.has(kind) ? SPARE : 1);

/** Every head end of a project with its budgets. */
export const HEAD_ENDS = whole<readonly HeadEnd[]>({
  name: 'head ends',
  tables: ['racks'],
  nodes: [HEAD_END_PARTS, RUN_LOADS],
  make: (read, last) => {
    const parts = read.get(HEAD_END_PARTS);
    const loads = read.get(RUN_LOADS);
    const before = last?.get(HEAD_END_PARTS);
    // Where only runs differ, head ends at which the same ones end stay as they were.
    const isAlike =
      before &&
      last?.get(RUN_LOADS) === loads &&
      (['equipment', 'terminations', 'patches', 'circuits'] as const).every((table) => before[table] === parts[table]);
    const known = isAlike ? new Map(last!.value.map((one) => [one.rack, one])) : null;
    return read.rows('racks').map((rack) => {
      const own = known?.get(rack);
      return own && sameItems(own.needs, parts.needsAt.get(rack.id) ?? []) ? own : headEndOf(rack, parts, loads);
    });
  },
});

/** All of one head end. */
export function headEndOf(rack: Rack, parts: HeadEndParts, loads: ReadonlyMap<string, RunLoad>): HeadEnd {
  const equipment = parts.equipment.filter(({ rackId }) => rackId === rack.id);
  const own = new Set(equipment.map(({ id }) => id));
  const needs = parts.needsAt.get(rack.id) ?? [];
  const isTerminated = ({ runId }: RunNeed): boolean => {
    const termination = parts.terminationOfRun.get(runId);
    const at = termination && parts.equipmentById.get(termination.equipmentId);
    return at !== undefined && portAt(at, termination!.port) !== undefined;
  };
  return {
    ...{ rack, equipment, needs },
    open: needs.filter((need) => !isTerminated(need)),
    terminations: new Map(
      equipment.flatMap(({ id }) => (parts.terminationsOn.get(id) ?? []).map((one) => [one.runId, one] as const)),
    ),
    patches: parts.patches.filter(({ equipmentId, toEquipmentId }) => own.has(equipmentId) || own.has(toEquipmentId)),
    ports: portBudgets(equipment, needs, parts),
    units: unitsOf(rack, equipment),
    weightKg: equipment.reduce((sum, one) => sum + one.weightKg, 0),
    poe: poeUses(equipment, parts),
    recorder: recorderUse(equipment, needs),
    amplifiers: amplifierLoads(equipment, parts, loads),
    supplies: supplyUses(equipment, parts),
    power: powerOf(equipment, parts),
  };
}

function portBudgets(equipment: readonly Equipment[], needs: readonly RunNeed[], parts: HeadEndParts): PortBudget[] {
  const kinds = [...new Set(needs.map(({ kind }) => kind))];
  return kinds.sort().map((kind) => {
    const wanting = needs.filter((need) => need.kind === kind);
    // Contacts of one zone share its port.
    const on = new Set<string>();
    let used = 0;
    let open = 0;
    for (const { runId, ports, facade } of wanting) {
      const own = parts.terminationOfRun.get(runId);
      if (!own) open += ports;
      else if (facade === null || !on.has(portKey(own.equipmentId, own.port))) used += ports;
      if (own && facade !== null) on.add(portKey(own.equipmentId, own.port));
    }
    const needed = used + open;
    return {
      ...{ kind, needed, used },
      wanted: Math.ceil(needed * spareOf(kind) - 1e-9),
      there: equipment.reduce((sum, one) => sum + portsFor(one, kind), 0),
    };
  });
}

/** How many ports of a piece of equipment take runs of a kind. */
const portsFor = (equipment: Equipment, kind: PortKind): number =>
  equipment.ports.reduce((sum, group) => sum + (takesRuns({ equipment, group }, kind) ? group.count : 0), 0);

/** Rack units that are taken on the front; what is on a shelf takes them with its shelf. */
function unitsOf({ units: total }: Rack, equipment: readonly Equipment[]): HeadEnd['units'] {
  const taken = new Set<number>();
  for (const { atUnit, units, face } of equipment)
    if (atUnit !== null && face === 'front') for (let u = atUnit; u < atUnit + units; u++) taken.add(u);
  const used = [...taken].filter((u) => u <= total).length;
  return { total, used, free: total - used };
}
