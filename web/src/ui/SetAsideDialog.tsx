import { useState } from 'react';
import { Button, Modal } from 'antd';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import type { SetAside } from '../ground/api/set-aside.ts';
import { text } from '../ground/text.ts';
import { useProjectStore } from '../state/project.ts';
import { problemSentence } from '@dusky-spool/texts';
import css from './ui.module.css';

interface Props {
  readonly entries: readonly SetAside[];
  readonly project: ProjectDocument;
  readonly onClose: () => void;
}

const MAX_LINES = 6;

/** Edits that the server could not take, each with what it was and why, for a person to settle. */
export function SetAsideDialog({ entries, project, onClose }: Props) {
  const settleAside = useProjectStore((state) => state.settleAside);
  const [problems, setProblems] = useState<Readonly<Record<string, Problem>>>({});
  const units = project.project.units;
  const settle = async (id: string, how: 'restore' | 'again' | 'let-go') => {
    const problem = await settleAside(id, how);
    setProblems((before) => ({ ...before, ...(problem ? { [id]: problem } : {}) }));
  };
  return (
    <Modal
      open
      title={text('setAside.title')}
      onCancel={onClose}
      footer={<Button onClick={onClose}>{text('close')}</Button>}
      width={620}
    >
      <p>{text('setAside.lead')}</p>
      <ul className={css.asideList}>
        {entries.map(({ change, problem, at }) => (
          <li key={change.id}>
            <h3>{change.title}</h3>
            <p className="faint">{text('setAside.when', { when: new Date(at).toLocaleString('en-GB') })}</p>
            <p>{problemSentence(problem, units)}</p>
            <ul>
              {change.operations.slice(0, MAX_LINES).map((operation, n) => (
                <li key={n}>{lineOf(project, operation)}</li>
              ))}
              {change.operations.length > MAX_LINES && <li>…</li>}
            </ul>
            {problems[change.id] && (
              <p className="field-problem" role="alert">
                {problemSentence(problems[change.id], units)}
              </p>
            )}
            <div className={css.asideActs}>
              {problem.code === 'record-gone' || problem.code === 'reference-missing' ? (
                <Button type="primary" size="small" onClick={() => void settle(change.id, 'restore')}>
                  {text('setAside.restore')}
                </Button>
              ) : (
                <Button type="primary" size="small" onClick={() => void settle(change.id, 'again')}>
                  {text('setAside.again')}
                </Button>
              )}
              <Button size="small" danger onClick={() => void settle(change.id, 'let-go')}>
                {text('setAside.letGo')}
              </Button>
            </div>
          </li>
        ))}
      </ul>
    </Modal>
  );
}

/** One operation in words: the list, the record as far as it has a name, and the values that were to be. */
function lineOf(project: ProjectDocument, operation: Operation): string {
  const table = project[operation.in] as unknown as Readonly<Record<string, { name?: string; number?: string | number }>>;
  const record = operation.op === 'create' ? operation.record : table[operation.id];
  const name = String(
    (record as { name?: string } | undefined)?.name || (record as { number?: string } | undefined)?.number || operation.id,
  );
  const fields =
    operation.op === 'update'
      ? Object.entries(operation.after)
          .map(([field, value]) => `${field} ${typeof value === 'object' ? JSON.stringify(value) : String(value)}`)
          .join(', ')
          .slice(0, 160)
      : operation.op === 'create'
        ? text('setAside.created')
        : text('setAside.deleted');
  return `${operation.in} ${name}: ${fields}`;
}
