import { useEffect, useState } from 'react';
import type { PrinterJobsReply } from '@dusky-spool/core/model';
import { getJson } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';

/** What the printer that ships with the app would have printed. `asked` rises with each job. */
export function PrinterJobs({ asked }: { readonly asked: number }) {
  const [reply, setReply] = useState<PrinterJobsReply | null>(null);
  useEffect(() => {
    let stale = false;
    getJson<PrinterJobsReply>('/bridge/printer/jobs').then(
      (found) => {
        if (!stale) setReply(found);
      },
      () => undefined,
    );
    return () => {
      stale = true;
    };
  }, [asked]);
  if (!reply) return null;
  if (!reply.simulated) return <p>{text('labels.realPrinter')}</p>;
  return (
    <>
      <p className="faint">{text('labels.simulated')}</p>
      <ul className="printer-jobs">
        {reply.jobs.slice(0, 5).map(({ id, pages }) => (
          <li key={id}>
            <a href={`/api/bridge/printer/jobs/${id}`} target="_blank" rel="noreferrer">
              {text('labels.job', { id, count: pages })}
            </a>
          </li>
        ))}
      </ul>
    </>
  );
}
