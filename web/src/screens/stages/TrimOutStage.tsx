import type { TextKey } from '@dusky-spool/texts';
import { useProject } from '../../state/open-project.ts';
import { RUN_STATES, type RunState } from '@dusky-spool/core/model';
import { runState } from '@dusky-spool/core/runs';
import { term, text } from '../../ground/text.ts';
import { editOnRoutes, useDerived } from '../../state/derived.ts';
import { RunTable } from './RunTable.tsx';
import { StagePage } from '../../ui/StagePage.tsx';
import { Button } from 'antd';

const NEXT: Partial<Record<RunState, { to: RunState; words: TextKey<'ui'> }>> = {
  pulled: { to: 'terminated', words: 'stage.trimOut.terminate' },
  terminated: { to: 'tested', words: 'stage.trimOut.test' },
};

/** Termination and test of the runs that are in the walls. */
export function TrimOutStage() {
  const project = useProject();
  const rows = useDerived(project).rows.filter((row) => RUN_STATES.indexOf(row.state) >= RUN_STATES.indexOf('pulled'));
  return (
    <StagePage title={text('stage.trimOut.title')} lead={text('stage.trimOut.lead')}>
      {rows.length === 0 && <p>{text('stage.trimOut.none')}</p>}
      <RunTable
        rows={rows}
        units={project.project.units}
        action={(row) => {
          const next = NEXT[row.state];
          if (!next) return null;
          const title = text('edit.state', { number: row.number, state: term(`states.${next.to}`).toLowerCase() });
          return (
            <Button onClick={() => void editOnRoutes(title, (now, routeOf) => runState(now, [row.runId], next.to, routeOf))}>
              {text(next.words)}
            </Button>
          );
        }}
      />
    </StagePage>
  );
}
