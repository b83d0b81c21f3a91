import { backToPlan } from '../../canvas/inspector-focus.ts';
import { useProject } from '../../state/open-project.ts';
import { alignFeatures, distributeFeatures, EDGES } from '@dusky-spool/core/survey';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useProjectStore } from '../../state/project.ts';
import { PreviewBanner } from '../../ui/PreviewBanner.tsx';
import { SurveyPanel } from './SurveyPanel.tsx';
import { Button } from 'antd';
import css from './survey.module.css';

interface Props {
  readonly selection: Selection;
  readonly levelId: string;
  readonly onView: (view: string) => void;
  readonly onLevel: (id: string) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onCopy: () => void;
  readonly onMirror: () => void;
  readonly onArray: () => void;
  readonly onRemove: () => void;
}

/** What is selected in the survey, and what can be done with it. */
export function SurveyInspector({ selection, levelId, onView, onLevel, onSelect, onCopy, onMirror, onArray, onRemove }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const arrange = selection.kind === 'feature' && selection.ids.length > 1;
  const canCopy = selection.kind === 'wall' || selection.kind === 'feature';
  return (
    <aside className="inspector" aria-label={text('survey.inspector')} onKeyDownCapture={backToPlan}>
      <PreviewBanner />
      {arrange && (
        <div className={css.arrange} role="group" aria-label={text('survey.arrange')}>
          {EDGES.map((edge) => (
            <Button
              key={edge}
              size="small"
              onClick={() => edit(text('survey.arrange'), alignFeatures(project, selection.ids, edge))}
            >
              {term(`align.${edge}`)}
            </Button>
          ))}
          {(['x', 'y'] as const).map((axis) => (
            <Button
              key={axis}
              size="small"
              disabled={selection.ids.length < 3}
              onClick={() => edit(text('survey.arrange'), distributeFeatures(project, selection.ids, axis))}
            >
              {term(`spread.${axis}`)}
            </Button>
          ))}
        </div>
      )}
      <SurveyPanel selection={selection} levelId={levelId} onView={onView} onLevel={onLevel} onSelect={onSelect} />
      {canCopy && (
        <div className="panel-buttons">
          <Button size="small" onClick={onCopy}>
            {text('survey.menu.copy')}
          </Button>
          <Button size="small" onClick={onMirror}>
            {text('survey.menu.mirrorBeside')}
          </Button>
          <Button size="small" onClick={onArray}>
            {text('survey.menu.array')}
          </Button>
        </div>
      )}
      {selection.kind !== 'none' && selection.kind !== 'room' && (
        <Button danger size="small" className="remove" onClick={onRemove}>
          {text('plan.remove')}
        </Button>
      )}
    </aside>
  );
}
