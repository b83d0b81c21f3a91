import { Button } from 'antd';
import { text } from '../ground/text.ts';
import { proposalOf, useProjectParts } from '../state/project.ts';
import css from './ui.module.css';

/** What is shown on the plan but not made yet, to be applied or left. Nothing while there is none, or while something is dragged. */
export function PreviewBanner() {
  const { preview, edit, endPreview } = useProjectParts('preview', 'edit', 'endPreview');
  const proposal = proposalOf(preview);
  if (!proposal) return null;
  return (
    <div className={css.previewing} role="status">
      <span>{text('run.previewing', { what: proposal.title })}</span>
      <div>
        <Button size="small" type="primary" onClick={() => edit(proposal.title, proposal.operations)}>
          {text('apply')}
        </Button>
        <Button size="small" ghost onClick={endPreview}>
          {text('cancel')}
        </Button>
      </div>
    </div>
  );
}
