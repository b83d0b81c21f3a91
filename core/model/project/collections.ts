import type { z } from 'zod';
import * as brief from './brief-records.ts';
import * as checks from './check-records.ts';
import * as fields from './field-records.ts';
import * as headEnds from './head-end-records.ts';
import * as library from './library-records.ts';
import * as orders from './order-records.ts';
import * as records from './records.ts';
import * as routing from './routing-records.ts';
import * as survey from './survey-records.ts';
import * as theatres from './theatre-records.ts';

/** A room or an outdoor area. */
const PLACE = { roomId: 'rooms', areaId: 'features' } as const;

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
  headEndRules: { schema: records.headEndRule, unique: [['family', 'system']], refers: { rackId: 'racks' } },
  underlays: { schema: records.underlay, unique: [], refers: { levelId: 'levels' } },
  features: { schema: survey.feature, unique: [], refers: { levelId: 'levels', topLevelId: 'levels' } },
  framingMembers: { schema: survey.framingMember, unique: [], refers: { wallId: 'walls', roomId: 'rooms' } },
  facts: { schema: survey.fact, unique: [['subject', 'subjectId', 'field']], refers: {} },
  dimensions: { schema: survey.dimension, unique: [], refers: { levelId: 'levels' } },
  referencePoints: { schema: survey.referencePoint, unique: [['levelId', 'name']], refers: { levelId: 'levels' } },
  cableTypes: { schema: library.cableType, unique: [], refers: {} },
  conductorMaps: { schema: brief.conductorMap, unique: [], refers: {} },
  phases: { schema: brief.phase, unique: [], refers: {} },
  deviceTypes: { schema: library.deviceType, unique: [], refers: {} },
  decisions: { schema: brief.decision, unique: [], refers: PLACE },
  devices: {
    schema: records.device,
    unique: [['roomId', 'number']],
    refers: {
      typeId: 'deviceTypes',
      levelId: 'levels',
      roomId: 'rooms',
      belongsTo: 'features',
      areaId: 'features',
      decisionId: 'decisions',
      foundId: 'features',
      phaseId: 'phases',
      mountTypeId: 'deviceTypes',
    },
  },
  runs: {
    schema: records.run,
    unique: [['number']],
    refers: {
      deviceId: 'devices',
      rackId: 'racks',
      toDeviceId: 'devices',
      cableTypeId: 'cableTypes',
      mapId: 'conductorMaps',
      foundId: 'features',
    },
  },
  routes: { schema: records.route, unique: [['runId']], refers: { runId: 'runs' } },
  briefCells: {
    schema: brief.briefCell,
    unique: [
      ['roomId', 'topic'],
      ['areaId', 'topic'],
    ],
    refers: { ...PLACE, typeId: 'deviceTypes', phaseId: 'phases' },
  },
  roomBriefs: { schema: brief.roomBrief, unique: [['roomId'], ['areaId']], refers: PLACE },
  tradeDates: { schema: brief.tradeDate, unique: [['gate']], refers: {} },
  compromises: { schema: brief.compromise, unique: [], refers: { ...PLACE, deviceId: 'devices' } },
  packageLines: { schema: brief.packageLine, unique: [], refers: PLACE },
  packageSignatures: { schema: brief.packageSignature, unique: [], refers: {} },
  walkResults: {
    schema: brief.walkResult,
    unique: [
      ['walk', 'roomId', 'topic'],
      ['walk', 'areaId', 'topic'],
    ],
    refers: PLACE,
  },
  deviceWalks: { schema: brief.deviceWalk, unique: [['walk', 'deviceId']], refers: { deviceId: 'devices' } },
  roomTemplates: { schema: brief.roomTemplate, unique: [], refers: {} },
  groups: { schema: brief.group, unique: [['kind', 'name']], refers: {} },
  groupMembers: {
    schema: brief.groupMember,
    unique: [['groupId', 'deviceId']],
    refers: { groupId: 'groups', deviceId: 'devices' },
  },
  plates: { schema: brief.plate, unique: [], refers: { levelId: 'levels', roomId: 'rooms' } },
  trunks: { schema: routing.sharedRoute, unique: [['rackId']], refers: { rackId: 'racks' } },
  routeRules: { schema: routing.routeRule, unique: [], refers: { runId: 'runs' } },
  seals: { schema: routing.seal, unique: [], refers: { levelId: 'levels' } },
  spentNumbers: { schema: routing.spentNumber, unique: [['number']], refers: {} },
  numberBlocks: { schema: routing.numberBlock, unique: [], refers: {} },
  waySigns: { schema: routing.floorConduitSign, unique: [['featureId']], refers: { featureId: 'features' } },
  ruleSettings: { schema: checks.ruleSetting, unique: [['ruleId']], refers: {} },
  findingMarks: { schema: checks.findingMark, unique: [['ruleId', 'code', 'about']], refers: {} },
  theatres: { schema: theatres.theatre, unique: [['roomId']], refers: { roomId: 'rooms' } },
  circuits: { schema: headEnds.circuit, unique: [['name']], refers: {} },
  equipment: {
    schema: headEnds.equipment,
    unique: [],
    refers: { rackId: 'racks', feedId: 'equipment', circuitId: 'circuits', tieDeviceId: 'devices' },
  },
  terminations: {
    schema: headEnds.termination,
    unique: [['runId'], ['equipmentId', 'port', 'place']],
    refers: { runId: 'runs', equipmentId: 'equipment' },
  },
  patches: {
    schema: headEnds.patch,
    unique: [
      ['equipmentId', 'port'],
      ['toEquipmentId', 'toPort'],
    ],
    refers: { equipmentId: 'equipment', toEquipmentId: 'equipment' },
  },
  zones: { schema: headEnds.zone, unique: [['name']], refers: {} },
  rfSources: { schema: headEnds.rfSource, unique: [['name']], refers: { deviceId: 'devices' } },
  scenes: { schema: headEnds.scene, unique: [], refers: { roomId: 'rooms', deviceId: 'devices' } },
  spools: { schema: orders.spool, unique: [['code']], refers: { cableTypeId: 'cableTypes' } },
  spoolCuts: { schema: orders.spoolCut, unique: [['runId']], refers: { spoolId: 'spools', runId: 'runs' } },
  spoolOffers: { schema: orders.spoolOffer, unique: [], refers: { cableTypeId: 'cableTypes' } },
  roomDates: { schema: brief.roomDate, unique: [['roomId', 'gate']], refers: { roomId: 'rooms' } },
  prices: { schema: orders.price, unique: [], refers: {} },
  deliveries: { schema: orders.delivery, unique: [], refers: {} },
  baselines: { schema: orders.baseline, unique: [['number']], refers: {} },
  changeOrders: { schema: orders.changeOrder, unique: [['number']], refers: { fromId: 'baselines', toId: 'baselines' } },
  offerOptions: { schema: orders.offerOption, unique: [['name']], refers: {} },
  rateCards: { schema: orders.rateCard, unique: [['name']], refers: {} },
  permits: { schema: orders.permit, unique: [['name']], refers: {} },
  siteTasks: { schema: orders.siteTask, unique: [], refers: { roomId: 'rooms' } },
  photos: {
    schema: fields.photo,
    unique: [],
    refers: { roomId: 'rooms', wallId: 'walls', deviceId: 'devices' },
  },
  inspectionItems: { schema: fields.inspectionItem, unique: [], refers: { levelId: 'levels' } },
  inspectionSignOffs: { schema: fields.inspectionSignOff, unique: [], refers: { levelId: 'levels' } },
  cableTests: { schema: fields.cableTest, unique: [], refers: { runId: 'runs' } },
  taskTimes: { schema: fields.taskTime, unique: [], refers: { roomId: 'rooms' } },
  crewHandovers: { schema: fields.crewHandover, unique: [], refers: { roomId: 'rooms' } },
  stepCards: { schema: fields.stepCard, unique: [['key']], refers: {} },
  cableFinds: { schema: fields.cableFind, unique: [], refers: { deviceId: 'devices' } },
  siteChanges: { schema: fields.siteChange, unique: [], refers: {} },
  adjustments: { schema: fields.adjustment, unique: [], refers: { deviceId: 'devices', equipmentId: 'equipment' } },
  nameplates: { schema: fields.nameplate, unique: [['subject', 'subjectId']], refers: {} },
  packedItems: { schema: fields.packedItem, unique: [['key']], refers: {} },
  keptCalculations: { schema: checks.keptCalculation, unique: [], refers: { runId: 'runs' } },
} as const satisfies Record<string, CollectionShape>;

interface CollectionShape {
  readonly schema: z.ZodType<{ id: string }>;
  readonly unique: readonly (readonly string[])[];
  readonly refers: Readonly<Record<string, string>>;
}

export type CollectionName = keyof typeof COLLECTIONS;
export type RecordOf<C extends CollectionName> = z.infer<(typeof COLLECTIONS)[C]['schema']>;

export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as CollectionName[];
