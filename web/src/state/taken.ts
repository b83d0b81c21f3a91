import {
  type Change,
  type FieldConflict,
  type Operation,
  type Patch,
  type ProjectDocument,
  remove,
  type SpoolCut,
  type Termination,
} from '@dusky-spool/core/model';

type Claimed = 'terminations' | 'patches' | 'spoolCuts';

/** A port, run or cable of a spool that somebody else has taken since: who is there, and what one's own edit would put there. */
export interface Taken {
  readonly in: Claimed;
  readonly otherId: string;
  readonly conflict: FieldConflict;
}

/** What an edit claims that another's edit holds by now: two people without a connection may give one port to two runs, or cut one spool twice. */
export function taken(base: ProjectDocument, { operations }: Pick<Change, 'operations'>): Taken[] {
  return operations.flatMap((operation): Taken[] => {
    if (operation.op === 'delete') return [];
    if (operation.in === 'spoolCuts') {
      const own = claimed<SpoolCut>(base, 'spoolCuts', operation);
      return own ? cutsInTheWay(base, own) : [];
    }
    if (operation.in === 'terminations') {
      const own = claimed<Termination>(base, 'terminations', operation);
      return own ? takenBy(base, own) : [];
    }
    if (operation.in !== 'patches') return [];
    const own = claimed<Patch>(base, 'patches', operation);
    const ends = own ? endsOf(own) : [];
    return Object.values(base.patches)
      .filter((one) => own && one.id !== own.id && endsOf(one).some((end) => ends.includes(end)))
      .map((other) => takenAt('patches', other.id, 'toPort', own!.toPort, other.toPort));
  });
}

function takenBy(base: ProjectDocument, own: Termination): Taken[] {
  return Object.values(base.terminations)
    .filter(({ id }) => id !== own.id)
    .flatMap((other) => {
      if (other.runId === own.runId) return [takenAt('terminations', other.id, 'port', own.port, other.port)];
      const isSame = other.equipmentId === own.equipmentId && other.port === own.port && other.place === own.place;
      return isSame ? [takenAt('terminations', other.id, 'runId', own.runId, other.runId)] : [];
    });
}

/** Another cut of the same run, and of the same spool the newest cuts, until what is left is enough for one's own. */
function cutsInTheWay(base: ProjectDocument, own: SpoolCut): Taken[] {
  const others = Object.values(base.spoolCuts).filter(({ id }) => id !== own.id);
  const ofRun = others.filter(({ runId }) => runId !== null && runId === own.runId);
  const left = others.filter(({ id, spoolId }) => spoolId === own.spoolId && !ofRun.some((one) => one.id === id));
  let overM = left.reduce((sum, { lengthM }) => sum + lengthM, own.lengthM) - (base.spools[own.spoolId]?.lengthM ?? 0);
  const ofSpool = left
    .toSorted((a, b) => b.on.localeCompare(a.on))
    .filter(({ lengthM }) => {
      const isInTheWay = overM > 1e-6;
      overM -= isInTheWay ? lengthM : 0;
      return isInTheWay;
    });
  return [...ofRun, ...ofSpool].map((other) => takenAt('spoolCuts', other.id, 'lengthM', own.lengthM, other.lengthM));
}

/** The record as the edit would leave it; undefined where it is gone. */
function claimed<T extends Termination | Patch | SpoolCut>(
  base: ProjectDocument,
  name: Claimed,
  operation: Operation,
): T | undefined {
  if (operation.op === 'create') return operation.record as unknown as T;
  const before = base[name][operation.id];
  return operation.op === 'update' && before ? ({ ...before, ...operation.after } as T) : undefined;
}

const endsOf = ({ equipmentId, port, toEquipmentId, toPort }: Patch): string[] => [
  `${equipmentId}/${port}`,
  `${toEquipmentId}/${toPort}`,
];

const takenAt = (name: Claimed, otherId: string, field: string, mine: unknown, theirs: unknown): Taken => ({
  ...{ in: name, otherId },
  conflict: { in: name, id: otherId, field, expected: null, mine, theirs },
});

/** One's own edit over what is there: what holds the ports or the cable is taken off first. */
export function overTaken(base: ProjectDocument, change: Pick<Change, 'operations'>): Operation[] {
  const others = new Map(taken(base, change).map((one) => [`${one.in}/${one.otherId}`, one]));
  const first = [...others.values()].flatMap(({ in: name, otherId }): Operation[] =>
    name === 'terminations'
      ? [remove('terminations', base.terminations[otherId])]
      : name === 'patches'
        ? [remove('patches', base.patches[otherId])]
        : [remove('spoolCuts', base.spoolCuts[otherId])],
  );
  return [...first, ...change.operations];
}
