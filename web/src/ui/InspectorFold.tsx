import { text } from '../ground/text.ts';
import { useSettings } from '../state/settings.ts';
import css from './ui.module.css';

/** Folds the panel beside the plan away, and brings it back. */
export function InspectorFold() {
  const { inspectorOpen, set } = useSettings();
  return (
    <button
      type="button"
      className={`plain ${css.inspectorFold}`}
      aria-label={text(inspectorOpen ? 'schedule.foldInspector' : 'schedule.unfoldInspector')}
      aria-expanded={inspectorOpen}
      onClick={() => set({ inspectorOpen: !inspectorOpen })}
    >
      <svg width={10} height={10} viewBox="0 0 10 10" aria-hidden="true">
        <path
          d={inspectorOpen ? 'M3.500 2 6.500 5 3.500 8' : 'M6.500 2 3.500 5 6.500 8'}
          fill="none"
          stroke="currentColor"
          strokeWidth={1.6}
        />
      </svg>
    </button>
  );
}
