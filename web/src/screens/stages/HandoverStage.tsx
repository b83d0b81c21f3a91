import { useProject } from '../../state/open-project.ts';
import { levelsFromBelow } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import css from './stages.module.css';

/** The files that leave the house. */
export function HandoverStage({ projectId }: { readonly projectId: string }) {
  const project = useProject();
  const imperial = project.project.units === 'imperial';
  const from = (path: string) => `/api/projects/${projectId}/${path}`;
  const files = [
    { address: from('documents/schedule.csv'), words: text('schedule.csv') },
    { address: from('documents/schedule.xlsx'), words: text('schedule.xlsx') },
    { address: from(`documents/labels.pdf?size=medium&paper=${imperial ? 'Letter' : 'A4'}`), words: text('schedule.labels') },
    ...levelsFromBelow(project).map((level) => ({
      address: from(`documents/plan.pdf?level=${level.id}&paper=${imperial ? 'Tabloid' : 'A3'}`),
      words: `${text('schedule.plan')} · ${level.name}`,
    })),
    { address: from('file'), words: text('schedule.projectFile') },
  ];
  return (
    <StagePage title={text('stage.handover.title')} lead={text('stage.handover.lead')}>
      <ul className={css.files}>
        {files.map(({ address, words }) => (
          <li key={address}>
            <a href={address} download>
              {words}
            </a>
          </li>
        ))}
      </ul>
      <p className="faint">{text('aid')}</p>
    </StagePage>
  );
}
