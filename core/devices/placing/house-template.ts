import { ok, type Outcome } from '../../math/index.ts';
import { type Group, type ProjectDocument, tableFrom } from '../../model/index.ts';
import { edited, listOf } from '../../derive/index.ts';
import { removeDevices } from './place.ts';

/** A house that is built from another: its name, its id in codes, and the options of the plan that it does without. */
export interface NewHouse {
  readonly name: string;
  readonly shortId: string;
  readonly description?: string;
  /** Groups of kind `option` whose devices are left out. */
  readonly without: readonly string[];
}

/** Options of a house that is used as a template: devices that one client takes and another does not. */
export const houseOptions = (project: Pick<ProjectDocument, 'groups'>): Group[] =>
  listOf(project, 'groups')
    .filter(({ kind }) => kind === 'option')
    .toSorted((a, b) => (a.name < b.name ? -1 : 1));

/** Lists that belong to one house alone: what was measured, walked, signed, printed, sealed and decided there. */
const OF_ONE_HOUSE = [
  'facts',
  'routes',
  'walkResults',
  'deviceWalks',
  'tradeDates',
  'compromises',
  'seals',
  'spentNumbers',
  'numberBlocks',
  'waySigns',
  'findingMarks',
  'keptCalculations',
  'spools',
  'spoolCuts',
  'roomDates',
  'deliveries',
  'baselines',
  'changeOrders',
  'permits',
  'packageSignatures',
  'photos',
  'inspectionItems',
  'inspectionSignOffs',
  'cableTests',
  'taskTimes',
  'crewHandovers',
  'cableFinds',
  'siteChanges',
  'adjustments',
  'nameplates',
  'packedItems',
] as const;

/**
 * A new house on the plan of another: the building, the brief, the standard rough-in with its cables, and the options that it takes. What
 * belongs to the first house alone stays there: client and address, measurements, signatures, dates, labels and the state of its runs.
 * Problems: those of `removeDevices`.
 */
export function houseFromTemplate(
  template: ProjectDocument,
  { name, shortId, description, without }: NewHouse,
): Outcome<ProjectDocument> {
  const cleared = Object.fromEntries(OF_ONE_HOUSE.map((list) => [list, {}]));
  const fresh: ProjectDocument = {
    ...template,
    ...cleared,
    project: {
      ...template.project,
      name,
      shortId,
      client: '',
      address: '',
      description: description ?? template.project.description,
    },
    runs: tableFrom(
      listOf(template, 'runs').map((run) => ({
        ...run,
        ...{ state: 'drafted' as const, printedOn: '', printedAs: '', stored: false, labelledEnds: 'none' as const },
        ...{ rawTestedOn: '', endTestedOn: '', testedBy: '', endsBaggedOn: '', wrappedOn: '', floorMark: '' },
      })),
    ),
    roomBriefs: tableFrom(
      listOf(template, 'roomBriefs').map((brief) => ({
        ...brief,
        who: '',
        useGroups: [],
        signedBy: '',
        signedOn: '',
        asksToSign: '',
        alsoSignedOn: '',
        pastSignatures: [],
      })),
    ),
    equipment: tableFrom(listOf(template, 'equipment').map((one) => ({ ...one, serial: '' }))),
    // What is allowed for and who does it stays; when it was done is of the first one.
    siteTasks: tableFrom(listOf(template, 'siteTasks').map((task) => ({ ...task, fromOn: '', toOn: '', doneOn: '' }))),
    // What a new house is designed for stays; what was measured is of the first one.
    theatres: tableFrom(listOf(template, 'theatres').map((one) => ({ ...one, measured: [] }))),
    decisions: tableFrom(listOf(template, 'decisions').map((one) => ({ ...one, chosen: '', decidedOn: '', owner: '' }))),
  };
  const left = new Set(without);
  const gone = listOf(fresh, 'groupMembers').flatMap(({ groupId, deviceId }) => (left.has(groupId) ? [deviceId] : []));
  if (gone.length === 0) return ok(fresh);
  const removed = removeDevices(fresh, [...new Set(gone)]);
  if (!removed.ok) return removed;
  const after = edited(fresh, removed.value);
  // Its numbers were never given out in the new house.
  return after.ok ? ok({ ...after.value, spentNumbers: {} }) : after;
}
