import { formatCableLength } from '../../math/index.ts';
import type { Device, ProjectDocument, Run } from '../../model/index.ts';
import type { PlannedRun } from '../../runs/index.ts';
import { deviceTitle } from './title.ts';

/** What the labels of a run say: its number, its ends, its cable and its length. Kept when they are printed. */
export function labelText(
  project: ProjectDocument,
  { run, device, length }: Pick<PlannedRun, 'run' | 'device' | 'length'>,
): string {
  const placeOf = (end: Device) =>
    [end.roomId === null ? '' : project.rooms[end.roomId].name, deviceTitle(end, project.deviceTypes[end.typeId])]
      .join(' ')
      .trim();
  // A lead to another device is known by what it is for: what that device is called is not read for every run.
  const far = run.toDeviceId === null ? project.racks[run.rackId].name : run.purpose;
  const cut = length ? formatCableLength(length.cutLengthM, project.project.units) : '';
  return [run.number, placeOf(device), far, project.cableTypes[run.cableTypeId].name, cut].join(' | ').slice(0, LONGEST);
}

/** What a label says, in its order. */
export const LABEL_PARTS = ['number', 'device', 'far', 'cable', 'length'] as const;

/** What has changed on the labels of a run since they were printed. */
export function changedOnLabel(
  project: ProjectDocument,
  planned: Pick<PlannedRun, 'run' | 'device' | 'length'>,
): (typeof LABEL_PARTS)[number][] {
  const [was, is] = [planned.run.printedAs, labelText(project, planned)].map((label) => label.split(' | '));
  return LABEL_PARTS.filter((_, index) => was[index] !== is[index]);
}

/** As many characters are kept. */
const LONGEST = 400;

/** State of the labels of a run: not printed, printed as they would be today, or printed with something that has changed since. */
export type LabelState = 'not-printed' | 'printed' | 'out-of-date';

/** What was printed before that was kept says nothing: it counts as printed. */
export function labelState(project: ProjectDocument, planned: Pick<PlannedRun, 'run' | 'device' | 'length'>): LabelState {
  const { printedOn, printedAs }: Run = planned.run;
  if (printedOn === '') return 'not-printed';
  return printedAs === '' || printedAs === labelText(project, planned) ? 'printed' : 'out-of-date';
}
