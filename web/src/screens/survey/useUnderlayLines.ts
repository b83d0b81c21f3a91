import { useEffect, useMemo, useState } from 'react';
import type { Point2 } from '@dusky-spool/core/math';
import { pictureToPlan } from '@dusky-spool/core/house';
import type { PictureInfo, ProjectDocument, Underlay } from '@dusky-spool/core/model';
import { useProjectStore } from '../../state/project.ts';
import type { VectorJobs } from '../../workers/drawing-jobs.ts';
import { JobClient } from '../../workers/jobs.ts';

type Line = readonly [Point2, Point2];
const CELL_M = 1;
const MAX_CELLS = 400;
/** A picture that takes longer than this to read is not snapped to, ms. */
const MAX_READ_MS = 20_000;
const read = new Map<string, Promise<Line[]>>();

/** The lines of a picture, px, read by a worker that is gone after it. */
export async function linesOf(projectId: string, { id, widthPx, heightPx }: PictureInfo): Promise<Line[]> {
  const response = await fetch(`/api/projects/${projectId}/pictures/${id}`);
  if (!response.ok) return [];
  const svg = await response.text();
  const worker = new Worker(new URL('../../workers/vector.worker.ts', import.meta.url), { type: 'module' });
  const jobs = new JobClient<VectorJobs>(worker);
  const late = setTimeout(() => jobs.stop(), MAX_READ_MS);
  try {
    const xy = await jobs.run('lines', { svg, widthPx, heightPx });
    return Array.from({ length: xy.length / 4 }, (_, n): Line => [
      [xy[4 * n], xy[4 * n + 1]],
      [xy[4 * n + 2], xy[4 * n + 3]],
    ]);
  } finally {
    clearTimeout(late);
    jobs.stop();
  }
}

/** The lines of a level's vector plan near a point, m: what drawing snaps to. Read once, found by place. */
export function useUnderlayLines(
  projectId: string,
  project: ProjectDocument,
  levelId: string,
): (p: Point2, reachM: number) => Line[] {
  const pictures = useProjectStore((state) => state.pictures);
  const underlay = Object.values(project.underlays).find((one) => one.levelId === levelId && !one.retired);
  const picture = underlay && pictures.find(({ id }) => id === underlay.pictureId);
  const [lines, setLines] = useState<{ id: string; lines: Line[] } | null>(null);
  const vector = picture?.mediaType === 'image/svg+xml' ? picture : null;
  useEffect(() => {
    if (!vector) return;
    let wanted = true;
    let work = read.get(vector.id);
    if (!work) {
      work = linesOf(projectId, vector);
      read.set(vector.id, work);
    }
    work.then(
      (found) => wanted && setLines({ id: vector.id, lines: found }),
      () => read.delete(vector.id),
    );
    return () => {
      wanted = false;
    };
  }, [projectId, vector]);
  const cells = useMemo(
    () => (underlay && lines && lines.id === vector?.id ? cellsOf(underlay, lines.lines) : null),
    [underlay, lines, vector],
  );
  return useMemo(
    () => (p, reachM) => {
      if (!cells) return [];
      const found = new Set<Line>();
      for (let i = Math.floor((p[0] - reachM) / CELL_M); i <= Math.floor((p[0] + reachM) / CELL_M); i++)
        for (let j = Math.floor((p[1] - reachM) / CELL_M); j <= Math.floor((p[1] + reachM) / CELL_M); j++)
          for (const line of cells.get(`${i},${j}`) ?? []) found.add(line);
      return [...found];
    },
    [cells],
  );
}

function cellsOf(underlay: Underlay, lines: readonly Line[]): Map<string, Line[]> {
  const cells = new Map<string, Line[]>();
  for (const [a, b] of lines) {
    const line: Line = [pictureToPlan(underlay, a), pictureToPlan(underlay, b)];
    const steps = Math.min(
      MAX_CELLS,
      Math.max(1, Math.ceil(Math.hypot(line[1][0] - line[0][0], line[1][1] - line[0][1]) / (CELL_M / 2))),
    );
    let last = '';
    for (let k = 0; k <= steps; k++) {
      const key = `${Math.floor((line[0][0] + ((line[1][0] - line[0][0]) * k) / steps) / CELL_M)},${Math.floor((line[0][1] + ((line[1][1] - line[0][1]) * k) / steps) / CELL_M)}`;
      if (key === last) continue;
      last = key;
      const list = cells.get(key);
      if (list) list.push(line);
      else cells.set(key, [line]);
    }
  }
  return cells;
}
