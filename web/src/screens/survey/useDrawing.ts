import { problemSentence } from '@dusky-spool/texts';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { text } from '../../ground/text.ts';
import type { DrawingJobs, ShownDrawing } from '../../workers/drawing-jobs.ts';
import { JobCancelled, JobClient } from '../../workers/jobs.ts';

/** A drawing is read no longer than this, ms. */
const MAX_READ_MS = 30_000;

/** A drawing file as it is read by its worker, which goes with the component. */
export interface OpenDrawing {
  /** The share read, 0 to 1. */
  readonly share: number;
  readonly drawing: ShownDrawing | null;
  readonly problem: string | null;
  readonly jobs: () => JobClient<DrawingJobs>;
}

export function useDrawing(file: File, onRead: (drawing: ShownDrawing) => void): OpenDrawing {
  const client = useRef<JobClient<DrawingJobs> | null>(null);
  const [share, setShare] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [drawing, setDrawing] = useState<ShownDrawing | null>(null);

  const latest = useRef(onRead);
  useLayoutEffect(() => {
    latest.current = onRead;
  });
  useEffect(() => {
    const jobs = new JobClient<DrawingJobs>(
      new Worker(new URL('../../workers/drawing.worker.ts', import.meta.url), { type: 'module' }),
    );
    client.current = jobs;
    // A drawing within the limits is read in seconds: one that is not would keep the device busy for nothing.
    const late = setTimeout(() => {
      setProblem(text('drawing.tooSlow', { seconds: MAX_READ_MS / 1000 }));
      jobs.stop();
    }, MAX_READ_MS);
    jobs
      .run('read', file, { report: setShare })
      .finally(() => clearTimeout(late))
      .then(
        (read) => {
          if (!read.ok) return setProblem(problemSentence(read.problem));
          setDrawing(read.value);
          latest.current(read.value);
        },
        (error: unknown) => {
          if (!(error instanceof JobCancelled)) setProblem(text('drawing.failed'));
        },
      );
    return () => {
      clearTimeout(late);
      jobs.stop();
    };
  }, [file]);
  return { share, drawing, problem, jobs: () => client.current! };
}
