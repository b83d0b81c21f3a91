import { Button, Input, Segmented } from 'antd';
import { takesLength, typedText, withTyped } from '../../canvas/tools/survey-tool.ts';
import { text } from '../../ground/text.ts';
import { useSettings } from '../../state/settings.ts';
import { hintFor } from './hints.ts';
import type { SurveyToolControl } from './useSurveyTool.ts';
import css from './survey.module.css';

/** What the tool does next, with a field for the next length and how lengths are taken. */
export function DrawBar({ toolControl }: { readonly toolControl: SurveyToolControl }) {
  const { tool, setTool } = toolControl;
  const between = useSettings((state) => state.lengthsBetween);
  const set = useSettings((state) => state.set);
  const hint = hintFor(tool);
  if (!hint) return null;
  const hasLength = takesLength(tool);
  const isOnWalls = tool.kind === 'walls' || tool.kind === 'opening';
  return (
    <div className={`sheet-hint ${hasLength ? css.drawBar : ''}`}>
      {hasLength && (
        <>
          {isOnWalls && (
            <Segmented
              size="small"
              aria-label={text('survey.lengthsBetween')}
              value={between}
              options={(['faces', 'centres'] as const).map((value) => ({
                value,
                label: text(`survey.between.${value}`),
                title: text(`survey.betweenNote.${value}`),
              }))}
              onChange={(lengthsBetween) => set({ lengthsBetween })}
            />
          )}
          <Input
            size="small"
            className={css.drawLength}
            value={typedText(tool)}
            placeholder={text(tool.kind === 'opening' ? 'survey.fromCorner' : 'survey.length')}
            aria-label={text(tool.kind === 'opening' ? 'survey.fromCorner' : 'survey.length')}
            onChange={(event) => setTool(withTyped(tool, event.target.value))}
            onKeyDown={(event) => {
              event.stopPropagation();
              if (event.key === 'Escape') return event.currentTarget.blur();
              const isForTool = event.key === 'Enter' || (event.key.startsWith('Arrow') && typedText(tool) !== '');
              if (isForTool && toolControl.type(event.key)) event.preventDefault();
            }}
          />
        </>
      )}
      <span role="status">{hint}</span>
      {tool.kind === 'walls' && tool.draw.chain.length >= 3 && (
        <Button size="small" onClick={toolControl.close}>
          {text('survey.closeWalls')}
        </Button>
      )}
    </div>
  );
}
