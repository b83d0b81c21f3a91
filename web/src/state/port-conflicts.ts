import {
  type Change,
  type FieldConflict,
  type Operation,
  type Patch,
  type ProjectDocument,
  remove,
  type Termination,
} from '@dusky-spool/core/model';

type Claimed = 'terminations' | 'patches';

/** A port or run that somebody else has taken since: who is there, and what one's own edit would put there. */
export interface TakenPort {
  readonly in: Claimed;
  readonly otherId: string;
  readonly conflict: FieldConflict;
}

/** What an edit claims that another's edit holds by now: two people without a connection may give one port to two runs. */
export function takenPorts(base: ProjectDocument, { operations }: Pick<Change, 'operations'>): TakenPort[] {
  return operations.flatMap((operation): TakenPort[] => {
    if (operation.op === 'delete') return [];
    if (operation.in === 'terminations') {
      const own = claimed<Termination>(base, 'terminations', operation);
      return own ? takenBy(base, own) : [];
    }
    if (operation.in !== 'patches') return [];
    const own = claimed<Patch>(base, 'patches', operation);
    const ends = own ? endsOf(own) : [];
    return Object.values(base.patches)
      .filter((one) => own && one.id !== own.id && endsOf(one).some((end) => ends.includes(end)))
      .map((other) => taken('patches', other.id, 'toPort', own!.toPort, other.toPort));
  });
}

function takenBy(base: ProjectDocument, own: Termination): TakenPort[] {
  return Object.values(base.terminations)
    .filter(({ id }) => id !== own.id)
    .flatMap((other) => {
      if (other.runId === own.runId) return [taken('terminations', other.id, 'port', own.port, other.port)];
      const isSame = other.equipmentId === own.equipmentId && other.port === own.port && other.place === own.place;
      return isSame ? [taken('terminations', other.id, 'runId', own.runId, other.runId)] : [];
    });
}

/** The record as the edit would leave it; undefined where it is gone. */
function claimed<T extends Termination | Patch>(base: ProjectDocument, name: Claimed, operation: Operation): T | undefined {
  if (operation.op === 'create') return operation.record as unknown as T;
  const before = base[name][operation.id];
  return operation.op === 'update' && before ? ({ ...before, ...operation.after } as T) : undefined;
}

const endsOf = ({ equipmentId, port, toEquipmentId, toPort }: Patch): string[] => [
  `${equipmentId}/${port}`,
  `${toEquipmentId}/${toPort}`,
];

const taken = (name: Claimed, otherId: string, field: string, mine: unknown, theirs: unknown): TakenPort => ({
  ...{ in: name, otherId },
  conflict: { in: name, id: otherId, field, expected: null, mine, theirs },
});

/** One's own edit over what is there: what holds the ports is taken off them first. */
export function overTaken(base: ProjectDocument, change: Pick<Change, 'operations'>): Operation[] {
  const others = new Map(takenPorts(base, change).map((one) => [`${one.in}/${one.otherId}`, one]));
  const first = [...others.values()].flatMap(({ in: name, otherId }): Operation[] =>
    name === 'terminations' ? [remove('terminations', base.terminations[otherId])] : [remove('patches', base.patches[otherId])],
  );
  return [...first, ...change.operations];
}
