import { useProject } from '../../state/open-project.ts';
import { listOf } from '@dusky-spool/core/derive';
import { formatLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { HeadEndRules } from './HeadEndRules.tsx';
import { RunTable } from './RunTable.tsx';
import { Cautions } from '../../ui/Cautions.tsx';
import { PlaceRackLink } from '../../ui/PlaceRackLink.tsx';
import { StagePage } from '../../ui/StagePage.tsx';
import { Link } from 'react-router';

/** What arrives at each rack, in the order of termination. */
export function HeadEndStage({ projectId }: { readonly projectId: string }) {
  const project = useProject();
  const { rows } = useDerived(project);
  const { units } = project.project;
  const racks = listOf(project, 'racks');
  return (
    <StagePage title={text('stage.headEnd.title')} lead={text('stage.headEnd.lead')}>
      {racks.length === 0 && (
        <p>
          {text('stage.headEnd.empty')} <PlaceRackLink />
        </p>
      )}
      <Cautions ids={['C13', 'C1']} />
      {racks.length > 1 && <HeadEndRules />}
      {racks.map((rack) => (
        <section key={rack.id}>
          <h3>
            {rack.name}{' '}
            <span className="faint">
              {term(`racks.${rack.kind}`)} ·{' '}
              {text('stage.headEnd.units', { units: rack.units, height: formatLength(rack.entryHeightM, units) })}
            </span>
          </h3>
          <RunTable
            rows={rows.filter((row) => {
              const run = project.runs[row.runId];
              return run && run.rackId === rack.id && run.toDeviceId === null;
            })}
            units={units}
            action={(row) => (
              <Link to={`/p/${projectId}/cabling?level=${row.levelId}&sel=run:${row.runId}`}>{text('stage.inspect.show')}</Link>
            )}
          />
        </section>
      ))}
    </StagePage>
  );
}
