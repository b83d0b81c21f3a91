import { useEffect, useState } from 'react';
import { Button, Modal, Progress } from 'antd';
import type { JobReply } from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import { problemOf } from '../ground/api/error-sentence.ts';
import { download, postJson, Refused, remove, saveFile } from '../ground/api/http.ts';
import { jobEnd } from '../ground/api/jobs.ts';
import { text } from '../ground/text.ts';
import { problemSentence } from '@dusky-spool/texts';

/** A document that is being made by the server's job queue. */
export interface Making {
  readonly label: string;
  /** Where the job is asked for. */
  readonly path: string;
  readonly query: Readonly<Record<string, unknown>>;
  /** Makes it on this device instead, where the server cannot be reached; left out where only the server can. */
  readonly here?: () => Promise<{ readonly name: string; readonly blob: Blob }>;
  /** Called when the file is saved. */
  readonly onSaved?: () => void;
}

/** Has a document made and saved: by the server's queue, or by this device where the server cannot be reached. */
function useMaking(making: Making, onClose: () => void) {
  const [job, setJob] = useState<JobReply | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [round, setRound] = useState(0);
  useEffect(() => {
    let over = false;
    let jobId: string | null = null;
    const fail = (error: unknown) => {
      if (!over) setProblem(problemOf(error));
    };
    const run = async () => {
      ({ id: jobId } = await postJson<{ id: string }>(making.path, making.query));
      if (!(await jobEnd(jobId, setJob, () => over))) return;
      await download(`/jobs/${jobId}/file`);
      over = true;
      onClose();
      making.onSaved?.();
    };
    const makeHere = async (make: NonNullable<Making['here']>) => {
      const { name, blob } = await make();
      if (over) return;
      saveFile(name, blob);
      over = true;
      onClose();
      making.onSaved?.();
    };
    run().catch((error: unknown) => {
      // The server said nothing: there is no connection.
      if (!over && making.here && !(error instanceof Refused)) return void makeHere(making.here).catch(fail);
      fail(error);
    });
    return () => {
      // Closing the dialog stops the job.
      if (!over && jobId) void remove(`/jobs/${jobId}`).catch(() => undefined);
      over = true;
    };
  }, [making, onClose, round]);
  const again = () => {
    setProblem(null);
    setJob(null);
    setRound((n) => n + 1);
  };
  return { job, problem, again };
}

/** Shows how far a document is, lets it be stopped, and saves it when it is done. The page stays where it is. */
export function MakingDialog({ making, onClose }: { readonly making: Making; readonly onClose: () => void }) {
  const { job, problem, again } = useMaking(making, onClose);
  const share = Math.round(100 * (job?.progress ?? 0));
  return (
    <Modal
      open
      title={text('making.title', { name: making.label })}
      onCancel={onClose}
      width={420}
      footer={
        problem ? (
          <>
            <Button onClick={onClose}>{text('close')}</Button>
            <Button type="primary" onClick={again}>
              {text('making.again')}
            </Button>
          </>
        ) : (
          <Button onClick={onClose}>{text('making.stop')}</Button>
        )
      }
    >
      {problem ? (
        <p className="field-problem" role="alert">
          {navigator.onLine && problem.code !== 'database-away' ? problemSentence(problem) : text('making.offline')}
        </p>
      ) : (
        <>
          <Progress percent={share} showInfo={false} aria-label={text('making.running', { share })} />
          <p role="status">{text(job?.state === 'running' ? 'making.running' : 'making.waiting', { share })}</p>
        </>
      )}
    </Modal>
  );
}
