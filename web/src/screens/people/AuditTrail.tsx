import { useState } from 'react';
import { Button } from 'antd';
import type { AuditLine, AuditReply } from '@dusky-spool/core/model';
import { getJson } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';
import { whenText } from '../../ui/when.ts';
import { useFetched } from './useFetched.ts';

/** What was done in the firm, newest first, and whether every line is as it was written. */
export function AuditTrail() {
  const { data, problem } = useFetched<AuditReply>('/people/audit');
  const [older, setOlder] = useState<readonly AuditLine[]>([]);
  if (!data) return problem ? <p role="alert">{problem}</p> : <p>{text('loading')}</p>;
  const lines = [...data.lines, ...older];
  const last = lines.at(-1)?.line ?? 1;
  const more = () =>
    void getJson<AuditReply>(`/people/audit?before=${last}`).then((reply) => setOlder([...older, ...reply.lines]));
  return (
    <section className="stage-sheet">
      <div className="stage-head">
        <div>
          <h2>{text('people.views.audit')}</h2>
          <p className={data.brokenAt === null ? undefined : 'field-problem'} role={data.brokenAt === null ? undefined : 'alert'}>
            {data.brokenAt === null
              ? text('people.auditIntact', { count: data.total })
              : text('people.auditBroken', { line: data.brokenAt })}
          </p>
        </div>
      </div>
      <table className="plain-table">
        <thead>
          <tr>
            {(['line', 'when', 'who', 'what', 'about'] as const).map((column) => (
              <th key={column} scope="col">
                {text(`people.auditColumns.${column}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ line, at, by, kind, about }) => (
            <tr key={line}>
              <td className="figure">{line}</td>
              <td>{whenText(at)}</td>
              <td>{by || text('people.stranger')}</td>
              <td>{text(`people.audit.${kind}`)}</td>
              <td className="about">{aboutText(about)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {last > 1 && <Button onClick={more}>{text('people.auditMore')}</Button>}
    </section>
  );
}

const aboutText = (about: AuditLine['about']): string =>
  Object.entries(about)
    .map(([name, value]) => `${text(`people.aboutNames.${name}`)}: ${String(value)}`)
    .join(', ');
