import { deleteEndedJobs } from '../jobs/store.ts';
import { deletePlanFiles, picturesWithoutTiles } from '../resources/pictures/store.ts';
import { deleteUnfinished } from '../resources/photos/store.ts';
import { deletePrinted } from '../resources/printing/store.ts';
import { removeRested } from '../resources/projects/store.ts';
import { deleteOldResets } from '../resources/session/store.ts';
import type { Services } from '../services/services.ts';
import { closeLostJobs, deleteOldErrors } from './store.ts';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const DAY_MS = 24 * HOUR_MS;
const EVERY_MS = 15 * MINUTE_MS;

/** One round: what was stored for a while is deleted. Doing it twice, or on two servers at once, does no harm. */
export async function tidyUp(services: Services, now: Date): Promise<void> {
  const { database, mail, attempts, jobs } = services;
  const ago = (ms: number) => new Date(now.getTime() - ms);
  await removeRested(database, now);
  await closeLostJobs(database, ago(15 * MINUTE_MS));
  await deleteEndedJobs(database, ago(HOUR_MS), ago(30 * DAY_MS));
  await deletePlanFiles(database, ago(2 * DAY_MS));
  await deleteUnfinished(database, ago(14 * DAY_MS));
  await deletePrinted(database, ago(7 * DAY_MS));
  await mail.deleteOld(ago(30 * DAY_MS));
  await attempts.deleteOld(ago(DAY_MS));
  await deleteOldResets(database, ago(DAY_MS));
  await deleteOldErrors(database, ago(30 * DAY_MS));
  for (const { projectId, pictureId, firmId } of await picturesWithoutTiles(database))
    await jobs.submitForFirm(firmId, { kind: 'tiles', params: { pictureId }, projectId }).catch(() => undefined);
}

/** Tidies up now and every quarter of an hour; returns the way to stop. */
export function startHousekeeping(services: Services): () => void {
  const round = () =>
    void tidyUp(services, new Date()).catch((error: unknown) =>
      services.log.warn({ err: error as Error }, 'housekeeping failed'),
    );
  const first = setTimeout(round, 5000);
  const timer = setInterval(round, EVERY_MS);
  first.unref();
  timer.unref();
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
