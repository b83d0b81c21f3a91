import { memo } from 'react';
import { SYSTEM_STYLE } from '../ui/systems.ts';
import type { RunLine } from './route-drawing.ts';

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
          {ghost && <path d={ghost} className="run-ghost" stroke={SYSTEM_STYLE[system].colour} />}
          <path d={path} className="run-hit" />
          {selected.has(runId) && <path d={path} className="run-halo" />}
          <path d={path} className="run-line" stroke={SYSTEM_STYLE[system].colour} strokeDasharray={SYSTEM_STYLE[system].dash} />
          {differs && wantedPath && <path d={wantedPath} className="run-wanted" />}
        </g>
      ))}
    </g>
  );
});
