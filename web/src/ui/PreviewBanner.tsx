import { Button } from 'antd';
import { text } from '../ground/text.ts';
import { useProjectParts } from '../state/project.ts';

/** What is shown on the plan but not made yet, to be applied or left. Nothing while there is none, or while something is dragged. */
export function PreviewBanner() {
  const { preview, edit, showPreview } = useProjectParts('preview', 'edit', 'showPreview');
  if (!preview || preview.what === '') return null;
  return (
    <div className="previewing" role="status">
      <span>{text('run.previewing', { what: preview.what })}</span>
      <div>
        <Button size="small" type="primary" onClick={() => edit(preview.what, preview.operations)}>
          {text('apply')}
        </Button>
        <Button size="small" ghost onClick={() => showPreview('', null)}>
          {text('cancel')}
        </Button>
      </div>
    </div>
  );
}
