import { Button } from 'antd';
import { changedOnLabel, labelState } from '@dusky-spool/core/devices';
import { type ProjectDocument, RUN_STATES } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { markPrinted } from '../../commands/mark-printed.ts';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';

interface Props {
  readonly project: ProjectDocument;
  readonly planned: PlannedRun;
}

const isPulled = ({ run }: PlannedRun) => RUN_STATES.indexOf(run.state) >= RUN_STATES.indexOf('pulled');

/** Says that the labels of a run are out of date and what has changed on them; nothing where they are true. */
export function LabelNotice({ project, planned }: Props) {
  if (labelState(project, planned) !== 'out-of-date') return null;
  const changed = changedOnLabel(project, planned)
    .map((part) => term(`labelParts.${part}`))
    .join(', ');
  return (
    <div className="finding look" role="status">
      <p>{text('labels.outdatedNow', { on: planned.run.printedOn, changed })}</p>
      {isPulled(planned) && <p>{text('labels.askCrew')}</p>}
    </div>
  );
}

/** The same with what to do: ask whoever stands before a pulled run, or print before it is pulled. */
export function LabelQuestion({ project, planned }: Props) {
  const edit = useProjectStore((state) => state.edit);
  if (labelState(project, planned) !== 'out-of-date') return null;
  const title = text(isPulled(planned) ? 'labels.relabelled' : 'labels.yesPrinted');
  return (
    <>
      <LabelNotice project={project} planned={planned} />
      <Button onClick={() => void edit(title, markPrinted(project, [planned], today()))}>{title}</Button>
    </>
  );
}
