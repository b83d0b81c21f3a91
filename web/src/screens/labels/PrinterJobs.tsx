import type { PrinterJobsReply } from '@dusky-spool/core/model';
import { PRINTER_JOBS } from './printer-jobs.ts';
import { useServer } from '../../ground/api/server-state.ts';
import { text } from '../../ground/text.ts';
import css from './labels.module.css';

/** What the printer that ships with the app would have printed. */
export function PrinterJobs() {
  const { data: reply } = useServer<PrinterJobsReply>(PRINTER_JOBS);
  if (!reply) return null;
  if (!reply.simulated) return <p>{text('labels.realPrinter')}</p>;
  return (
    <>
      <p className="faint">{text('labels.simulated')}</p>
      <ul className={css.printerJobs}>
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
