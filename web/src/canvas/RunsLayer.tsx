import { memo } from 'react';
import { SYSTEM_STYLE } from '../ui/systems.ts';
import type { RunLine } from './route-drawing.ts';
import css from './canvas.module.css';

interface Props {
  readonly lines: readonly RunLine[];
  readonly selected: ReadonlySet<string>;
  readonly onPick: (runId: string, more: boolean) => void;
}

/** Cable runs as strands; the chosen ones as a copper thread on top. */
export const RunsLayer = memo(function RunsLayer({ lines, selected, onPick }: Props) {
  return (
    <g className="runs">
      {lines.map(({ runId, system, path, differs, wantedPath, ghost }) => (
        <g key={runId} className={selected.has(runId) ? 'run chosen' : 'run'} onClick={(event) => onPick(runId, event.shiftKey)}>
          {ghost && <path d={ghost} className={css.runGhost} stroke={SYSTEM_STYLE[system].colour} />}
          <path d={path} className={css.runHit} />
          {selected.has(runId) && <path d={path} className={css.runHalo} />}
          <path
            d={path}
            className={css.runLine}
            stroke={SYSTEM_STYLE[system].colour}
            strokeDasharray={SYSTEM_STYLE[system].dash}
          />
          {differs && wantedPath && <path d={wantedPath} className={css.runWanted} />}
        </g>
      ))}
    </g>
  );
});
