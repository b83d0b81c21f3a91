import type { z } from 'zod';
import * as records from './records.ts';
import * as survey from './survey-records.ts';

/**
 * Every list of records in a project, in the order in which a file holds them: a list only refers to lists above it.
 * `unique` names the fields that no two records of the list may share; `refers` the lists that a field points into.
 */
export const COLLECTIONS = {
  levels: { schema: records.level, unique: [['code']], refers: {} },
  rooms: { schema: records.room, unique: [['levelId', 'code']], refers: { levelId: 'levels' } },
  walls: { schema: records.wall, unique: [], refers: { levelId: 'levels' } },
  openings: { schema: records.opening, unique: [], refers: { wallId: 'walls' } },
  risers: { schema: records.riser, unique: [], refers: { bottomLevelId: 'levels', topLevelId: 'levels' } },
  racks: { schema: records.rack, unique: [['code']], refers: { levelId: 'levels' } },
  underlays: { schema: records.underlay, unique: [], refers: { levelId: 'levels' } },
  features: { schema: survey.feature, unique: [], refers: { levelId: 'levels', topLevelId: 'levels' } },
  framingMembers: { schema: survey.framingMember, unique: [], refers: { wallId: 'walls', roomId: 'rooms' } },
  facts: { schema: survey.fact, unique: [['subject', 'subjectId', 'field']], refers: {} },
  dimensions: { schema: survey.dimension, unique: [], refers: { levelId: 'levels' } },
  referencePoints: { schema: survey.referencePoint, unique: [['levelId', 'name']], refers: { levelId: 'levels' } },
  cableTypes: { schema: records.cableType, unique: [], refers: {} },
  deviceTypes: { schema: records.deviceType, unique: [], refers: {} },
  devices: {
    schema: records.device,
    unique: [['roomId', 'number']],
    refers: { typeId: 'deviceTypes', levelId: 'levels', roomId: 'rooms', belongsTo: 'features' },
  },
  runs: {
    schema: records.run,
    unique: [['number']],
    refers: { deviceId: 'devices', rackId: 'racks', cableTypeId: 'cableTypes' },
  },
  routes: { schema: records.route, unique: [['runId']], refers: { runId: 'runs' } },
} as const satisfies Record<string, CollectionShape>;

interface CollectionShape {
  readonly schema: z.ZodType<{ id: string }>;
  readonly unique: readonly (readonly string[])[];
  readonly refers: Readonly<Record<string, string>>;
}

export type CollectionName = keyof typeof COLLECTIONS;
export type RecordOf<C extends CollectionName> = z.infer<(typeof COLLECTIONS)[C]['schema']>;

export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as CollectionName[];
