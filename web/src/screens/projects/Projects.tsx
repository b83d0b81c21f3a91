import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { App as AntApp, Button, Input, Modal, Segmented } from 'antd';
import type { DeletedProject, ProjectsReply, ProjectSummary } from '@dusky-spool/core/model';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { getJson, postJson, postText, remove } from '../../ground/api/http.ts';
import { useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { FirmHeader } from '../../ui/FirmHeader.tsx';
import { dayText } from '../../ui/when.ts';

/** The firm's projects: open one, make one, take a file in. */
export function Projects() {
  const mayPlan = useRight('plan');
  const [mayDelete, setMayDelete] = useState(false);
  const [deleted, setDeleted] = useState<readonly DeletedProject[]>([]);
  const [projects, setProjects] = useState<readonly ProjectSummary[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const [importing, setImporting] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const { modal } = AntApp.useApp();

  const load = useCallback(() => {
    getJson<ProjectsReply>('/projects')
      .then(async (reply) => {
        setProjects(reply.projects);
        setMayDelete(reply.mayDelete);
        setProblem(null);
        if (reply.mayDelete) setDeleted((await getJson<{ projects: DeletedProject[] }>('/deleted-projects')).projects);
      })
      .catch((error: unknown) => setProblem(sentenceOf(error)));
  }, []);
  useEffect(load, [load]);

  const takeIn = async (file: File) => {
    setImporting(file.name);
    setProblem(null);
    try {
      const { id } = await postText<{ id: string }>('/projects/import', await file.text());
      void navigate(`/p/${id}/devices`);
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setImporting(null);
    }
  };
  const askDelete = (project: ProjectSummary) =>
    modal.confirm({
      title: text('projects.delete'),
      content: text('projects.deleteAsk', { name: project.name }),
      okText: text('projects.delete'),
      okButtonProps: { danger: true },
      cancelText: text('cancel'),
      autoFocusButton: 'cancel',
      onOk: () => remove(`/projects/${project.id}`).then(load, (error: unknown) => setProblem(sentenceOf(error))),
    });

  return (
    <div className="projects-page">
      <FirmHeader />
      <main className="projects">
        <div className="projects-head">
          <h1>{text('projects.title')}</h1>
          <span className="grow" />
          <input
            ref={input}
            type="file"
            accept=".json,application/json"
            className="unseen"
            tabIndex={-1}
            aria-label={text('projects.import')}
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) void takeIn(file);
              event.target.value = '';
            }}
          />
          {mayPlan && (
            <>
              <Button loading={importing !== null} onClick={() => input.current?.click()}>
                {importing ? text('projects.importing', { name: importing }) : text('projects.import')}
              </Button>
              <Button type="primary" onClick={() => setMaking(true)}>
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
        {projects?.length === 0 && <p className="lead">{text('projects.empty')}</p>}
        <ul className="project-list">
          {projects?.map((project) => (
            <li key={project.id} className="project-card">
              <Link to={`/p/${project.id}/devices`} aria-label={text('projects.open', { name: project.name })}>
                <HouseDrawing levels={project.levels} share={project.runs === 0 ? 0 : project.runsPulled / project.runs} />
                <div>
                  <h2>{project.name}</h2>
                  <p>{project.description}</p>
                  <p className="figures-line">
                    {(['levels', 'rooms', 'devices', 'runs'] as const).map((name) => (
                      <span key={name}>{text(`projects.${name}`, { count: project[name] })}</span>
                    ))}
                    {project.runsPulled > 0 && (
                      <span className="copper">
                        {text('projects.pulled', { share: Math.round((100 * project.runsPulled) / project.runs) })}
                      </span>
                    )}
                  </p>
                </div>
              </Link>
              <div className="project-foot">
                <span className="id">{project.shortId}</span>
                <span>{text('projects.changed', { when: dayText(project.updatedAt) })}</span>
                <span className="grow" />
                {mayDelete && (
                  <Button
                    size="small"
                    type="text"
                    danger
                    onClick={() => askDelete(project)}
                    aria-label={`${text('projects.delete')} ${project.name}`}
                  >
                    {text('projects.delete')}
                  </Button>
                )}
              </div>
            </li>
          ))}
        </ul>
        {deleted.length > 0 && (
          <section>
            <h2 className="eyebrow">{text('deleted.title', { count: deleted.length })}</h2>
            <ul className="deleted-list">
              {deleted.map(({ id, name, deletedAt, deletedBy, goneAt }) => (
                <li key={id}>
                  <b>{name}</b>
                  <span>{text('deleted.by', { name: deletedBy, when: dayText(deletedAt), gone: dayText(goneAt) })}</span>
                  <span className="grow" />
                  <Button
                    size="small"
                    aria-label={text('deleted.restoreOf', { name })}
                    onClick={() =>
                      void postJson(`/deleted-projects/${id}/restore`, {}).then(load, (error: unknown) =>
                        setProblem(sentenceOf(error)),
                      )
                    }
                  >
                    {text('deleted.restore')}
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="faint">{text('aid')}</p>
      </main>
      {making && <NewProject onCancel={() => setMaking(false)} />}
    </div>
  );
}

function NewProject({ onCancel }: { readonly onCancel: () => void }) {
  const [name, setName] = useState('');
  const [units, setUnits] = useState<'metric' | 'imperial'>('metric');
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const make = () => {
    if (name.trim() === '') return setProblem(text('projects.nameMissing'));
    postJson<{ id: string }>('/projects', { name, units })
      .then(({ id }) => navigate(`/p/${id}/survey`))
      .catch((error: unknown) => setProblem(sentenceOf(error)));
  };
  return (
    <Modal
      open
      title={text('projects.new')}
      okText={text('create')}
      cancelText={text('cancel')}
      onOk={make}
      onCancel={onCancel}
      width={420}
    >
      <div className="ask">
        <label className="field">
          <span>{text('projects.nameLabel')}</span>
          <Input
            autoFocus
            value={name}
            maxLength={120}
            aria-label={text('projects.nameLabel')}
            status={problem ? 'error' : undefined}
            onChange={(event) => setName(event.target.value)}
            onPressEnter={make}
          />
        </label>
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        <div className="field">
          <span>{text('projects.unitsLabel')}</span>
          <Segmented
            value={units}
            onChange={setUnits}
            options={(['metric', 'imperial'] as const).map((value) => ({ value, label: term(`units.${value}`) }))}
          />
        </div>
      </div>
    </Modal>
  );
}

/** A small side view: as many storeys as the house has, the riser in copper as far as its runs are pulled. */
function HouseDrawing({ levels, share }: { readonly levels: number; readonly share: number }) {
  const storeys = Math.max(1, Math.min(4, levels));
  const height = storeys * 22;
  return (
    <svg width={104} height={126} viewBox={`0 0 104 126`} aria-hidden="true" className="house-drawing">
      <g transform={`translate(0,${118 - height})`}>
        <path d="M6 0 52 -24 98 0Z" className="section-roof" />
        {Array.from({ length: storeys }, (_, i) => (
          <rect key={i} x={12} y={i * 22} width={80} height={22} className="storey" />
        ))}
        <path d={`M68 ${height - 3}V3`} className="riser-dim" />
        <path d={`M68 ${height - 3}V${height - 3 - share * (height - 6)}`} className="section-riser" />
      </g>
      <path d="M0 118H104" className="section-ground" />
    </svg>
  );
}
