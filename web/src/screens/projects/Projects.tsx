import type { DeletedProject, ProjectsReply, ProjectSummary } from '@dusky-spool/core/model';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { postJson, postText, remove } from '../../ground/api/http.ts';
import { useSend, useServer } from '../../ground/api/server-state.ts';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { FirmHeader } from '../../ui/FirmHeader.tsx';
import { dayText } from '../../ui/when.ts';
import { DeleteProject } from './DeleteProject.tsx';
import { HouseDrawing } from './HouseDrawing.tsx';
import { KeptHouses } from './KeptHouses.tsx';
import { NewProject } from './NewProject.tsx';
import { CopyHouse } from './CopyHouse.tsx';
import css from './projects.module.css';

const PROJECTS = '/projects';
const DELETED = '/deleted-projects';

/** The firm's projects: open one, create one, import a file. */
export function Projects() {
  const mayPlan = useRight('plan');
  const { data, problem: notRead, refresh } = useServer<ProjectsReply>(PROJECTS);
  const mayDelete = data?.mayDelete === true;
  const { data: gone } = useServer<{ projects: DeletedProject[] }>(DELETED, { isOn: mayDelete });
  const { send: deleteProject, sentence: notDeleted } = useSend((id: string) => remove(`${PROJECTS}/${id}`), [PROJECTS, DELETED]);
  const { send: restore, sentence: notRestored } = useSend(
    (id: string) => postJson(`${DELETED}/${id}/restore`, {}),
    [PROJECTS, DELETED],
  );
  const importing = useImport();
  const [isCreating, setIsCreating] = useState(false);
  const [copying, setCopying] = useState<ProjectSummary | null>(null);
  const [deleting, setDeleting] = useState<ProjectSummary | null>(null);
  const problem = importing.problem ?? notDeleted ?? notRestored ?? notRead;
  return (
    <div className="projects-page">
      <FirmHeader />
      <main className="projects">
        <div className="projects-head">
          <h1>{text('projects.title')}</h1>
          <span className="grow" />
          {mayPlan && (
            <>
              <ImportButton {...importing} />
              <Button type="primary" onClick={() => setIsCreating(true)}>
                {text('projects.new')}
              </Button>
            </>
          )}
        </div>
        {problem && (
          <div className="finding stop" role="alert">
            <p>{problem}</p>
          </div>
        )}
        {!data && notRead && <KeptHouses onRetry={refresh} />}
        {data?.projects.length === 0 && (
          <div className={css.firstSteps}>
            <p className="lead">{text('projects.empty')}</p>
            <p>
              <Link to="/guide/first-house">{text('projects.firstHouse')}</Link>
            </p>
          </div>
        )}
        <ul className={css.projectList}>
          {data?.projects.map((project) => (
            <ProjectCard
              key={project.id}
              project={project}
              onCopy={mayPlan ? setCopying : null}
              onDelete={mayDelete ? setDeleting : null}
            />
          ))}
        </ul>
        {gone && gone.projects.length > 0 && <DeletedList projects={gone.projects} onRestore={restore} />}
        <p className="faint">{text('aid')}</p>
      </main>
      {deleting && (
        <DeleteProject
          name={deleting.name}
          onCancel={() => setDeleting(null)}
          onDelete={() => {
            setDeleting(null);
            deleteProject(deleting.id);
          }}
        />
      )}
      {copying && <CopyHouse project={copying} onClose={() => setCopying(null)} />}
      {isCreating && <NewProject onCancel={() => setIsCreating(false)} />}
    </div>
  );
}

/** Imports a project file, which is opened then. */
function useImport() {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const { send, sentence, isSending } = useSend(
    async (file: File) => {
      setName(file.name);
      const { id } = await postText<{ id: string }>('/projects/import', await file.text());
      void navigate(`/p/${id}/devices`);
    },
    [PROJECTS],
  );
  const problem = sentence && text('projects.notImported', { name, problem: sentence });
  return { importFile: send, problem, isImporting: isSending };
}

function ImportButton({ importFile, isImporting }: ReturnType<typeof useImport>) {
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState('');
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="unseen"
        tabIndex={-1}
        aria-label={text('projects.import')}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) {
            setName(file.name);
            importFile(file);
          }
          event.target.value = '';
        }}
      />
      <Button loading={isImporting} onClick={() => input.current?.click()}>
        {isImporting ? text('projects.importing', { name }) : text('projects.import')}
      </Button>
    </>
  );
}

function ProjectCard({
  project,
  onCopy,
  onDelete,
}: {
  readonly project: ProjectSummary;
  readonly onCopy: ((project: ProjectSummary) => void) | null;
  readonly onDelete: ((project: ProjectSummary) => void) | null;
}) {
  const { id, name, shortId, description, levels, runs, runsPulled, updatedAt } = project;
  return (
    <li className={css.projectCard}>
      <div className={css.projectBody}>
        <HouseDrawing levels={levels} share={runs === 0 ? 0 : runsPulled / runs} />
        <div>
          <h2>
            <Link to={`/p/${id}/devices`} aria-label={text('projects.open', { name })}>
              {name}
            </Link>
          </h2>
          <p>{description}</p>
          <p className="figures-line">
            {(['levels', 'rooms', 'devices', 'runs'] as const).map((figure) => (
              <span key={figure}>{text(`projects.${figure}`, { count: project[figure] })}</span>
            ))}
            {runsPulled > 0 && (
              <span className={css.copper}>{text('projects.pulled', { share: Math.round((100 * runsPulled) / runs) })}</span>
            )}
          </p>
        </div>
      </div>
      <div className={css.projectFoot}>
        <span className="id">{shortId}</span>
        <span>{text('projects.changed', { when: dayText(updatedAt) })}</span>
        <span className="grow" />
        {onCopy && (
          <Button size="small" type="text" onClick={() => onCopy(project)} aria-label={text('projects.copyOf', { name })}>
            {text('projects.copy')}
          </Button>
        )}
        {onDelete && (
          <Button
            size="small"
            type="text"
            danger
            onClick={() => onDelete(project)}
            aria-label={`${text('projects.delete')} ${name}`}
          >
            {text('projects.delete')}
          </Button>
        )}
      </div>
    </li>
  );
}

function DeletedList({
  projects,
  onRestore,
}: {
  readonly projects: readonly DeletedProject[];
  readonly onRestore: (id: string) => void;
}) {
  return (
    <section>
      <h2 className="eyebrow">{text('deleted.title', { count: projects.length })}</h2>
      <ul className={css.deletedList}>
        {projects.map(({ id, name, deletedAt, deletedBy, goneAt }) => (
          <li key={id}>
            <b>{name}</b>
            <span>{text('deleted.by', { name: deletedBy, when: dayText(deletedAt), gone: dayText(goneAt) })}</span>
            <span className="grow" />
            <Button size="small" aria-label={text('deleted.restoreOf', { name })} onClick={() => onRestore(id)}>
              {text('deleted.restore')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
