import { type Reading, whole } from '../derive/index.ts';
import { groupedBy } from '../math/index.ts';
import type { Circuit, Equipment, Patch, Termination } from '../model/index.ts';
import { NEED_OF_RUN, type RunNeed } from './needs.ts';
import { portKey } from './ports.ts';

/** What runs end with, everything that stands in head ends, and how it hangs together. */
export interface HeadEndParts {
  readonly needs: readonly RunNeed[];
  readonly needByRun: ReadonlyMap<string, RunNeed>;
  readonly equipment: readonly Equipment[];
  readonly equipmentById: ReadonlyMap<string, Equipment>;
  readonly terminations: readonly Termination[];
  readonly terminationOfRun: ReadonlyMap<string, Termination>;
  /** Terminations by the equipment that they are on, and needs by their rack. */
  readonly terminationsOn: ReadonlyMap<string, readonly Termination[]>;
  readonly needsAt: ReadonlyMap<string, readonly RunNeed[]>;
  /** Runs by the port that they end on. */
  readonly runAt: ReadonlyMap<string, string>;
  readonly patches: readonly Patch[];
  /** Both ends of every cord by their port. */
  readonly patchAt: ReadonlyMap<string, Patch>;
  readonly circuits: readonly Circuit[];
}

export const HEAD_END_PARTS = whole<HeadEndParts>({
  name: 'parts of head ends',
  tables: ['circuits', 'equipment', 'patches', 'terminations'],
  nodes: [NEED_OF_RUN],
  make: (read, last) => partsOf(read, last?.value ?? null),
});

function partsOf(read: Reading, last: HeadEndParts | null): HeadEndParts {
  const needs = read.all(NEED_OF_RUN).flatMap((need) => need ?? []);
  return {
    needs,
    needByRun: new Map(needs.map((need) => [need.runId, need])),
    needsAt: groupedBy(needs, ({ rackId }) => rackId),
    ...equipmentParts(read.rows('equipment'), last),
    ...terminationParts(read.rows('terminations'), last),
    ...patchParts(read.rows('patches'), last),
    circuits: read.rows('circuits'),
  };
}

// Each part stays as it was where its table did.
const equipmentParts = (
  equipment: readonly Equipment[],
  last: HeadEndParts | null,
): Pick<HeadEndParts, 'equipment' | 'equipmentById'> => ({
  equipment,
  equipmentById: last?.equipment === equipment ? last.equipmentById : new Map(equipment.map((one) => [one.id, one])),
});

function terminationParts(
  terminations: readonly Termination[],
  last: HeadEndParts | null,
): Pick<HeadEndParts, 'terminations' | 'terminationOfRun' | 'terminationsOn' | 'runAt'> {
  if (last?.terminations === terminations) {
    const { terminationOfRun, terminationsOn, runAt } = last;
    return { terminations, terminationOfRun, terminationsOn, runAt };
  }
  return {
    terminations,
    terminationOfRun: new Map(terminations.map((one) => [one.runId, one])),
    terminationsOn: groupedBy(terminations, ({ equipmentId }) => equipmentId),
    runAt: new Map(terminations.map((one) => [portKey(one.equipmentId, one.port), one.runId])),
  };
}

const patchParts = (patches: readonly Patch[], last: HeadEndParts | null): Pick<HeadEndParts, 'patches' | 'patchAt'> => ({
  patches,
  patchAt:
    last?.patches === patches
      ? last.patchAt
      : new Map(
          patches.flatMap((one) => [
            [portKey(one.equipmentId, one.port), one] as const,
            [portKey(one.toEquipmentId, one.toPort), one] as const,
          ]),
        ),
});
