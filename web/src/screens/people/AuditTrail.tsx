import { Button } from 'antd';
import type { AuditLine, AuditReply } from '@dusky-spool/core/model';
import { useServerPages } from '../../ground/api/server-state.ts';
import { text, textNamed } from '../../ground/text.ts';
import { whenText } from '../../ui/when.ts';
import css from './people.module.css';

/** What was done in the firm, newest first, and whether every line is as it was written. */
export function AuditTrail() {
  const { pages, problem, more, isLoading } = useServerPages<AuditReply>('/people/audit', ({ lines }) => {
    const last = lines.at(-1)?.line ?? 1;
    return last > 1 ? `/people/audit?before=${last}` : null;
  });
  const [data] = pages;
  if (!data) return problem ? <p role="alert">{problem}</p> : <p>{text('loading')}</p>;
  const lines = pages.flatMap((page) => page.lines);
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
      <table className={css.plainTable}>
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
              <td>{textNamed('people.audit', kind)}</td>
              <td className={css.about}>{aboutText(about)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {more && (
        <Button onClick={more} loading={isLoading}>
          {text('people.auditMore')}
        </Button>
      )}
    </section>
  );
}

const aboutText = (about: AuditLine['about']): string =>
  Object.entries(about)
    .map(([name, value]) => `${textNamed('people.aboutNames', name)}: ${String(value)}`)
    .join(', ');
