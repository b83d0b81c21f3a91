import { useEffect, useMemo, useState } from 'react';
import { type Point2, rotate2 } from '@dusky-spool/core/math';
import { svgLines } from '@dusky-spool/core/house';
import type { ProjectDocument, Underlay } from '@dusky-spool/core/model';
import { useProjectStore } from '../../state/project.ts';

type Line = readonly [Point2, Point2];
const CELL_M = 1;
const MAX_CELLS = 400;
const read = new Map<string, Promise<Line[]>>();

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
  const vectorId = picture?.mediaType === 'image/svg+xml' ? picture.id : null;
  const heightPx = picture?.heightPx ?? 0;
  useEffect(() => {
    if (!vectorId) return;
    let wanted = true;
    let work = read.get(vectorId);
    if (!work) {
      work = fetch(`/api/projects/${projectId}/pictures/${vectorId}`)
        .then((response) => (response.ok ? response.text() : ''))
        .then((svg) => svgLines(svg, heightPx));
      read.set(vectorId, work);
    }
    work.then(
      (found) => wanted && setLines({ id: vectorId, lines: found }),
      () => read.delete(vectorId),
    );
    return () => {
      wanted = false;
    };
  }, [projectId, vectorId, heightPx]);
  const cells = useMemo(
    () => (underlay && lines && lines.id === vectorId ? cellsOf(underlay, lines.lines) : null),
    [underlay, lines, vectorId],
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
  const world = ([x, y]: Point2): Point2 => {
    const [dx, dy] = rotate2([x * underlay.metresPerPixel, y * underlay.metresPerPixelY], underlay.rotationRad);
    return [underlay.originX + dx, underlay.originY + dy];
  };
  for (const [a, b] of lines) {
    const line: Line = [world(a), world(b)];
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
