import {
  type Drawing,
  drawingMarks,
  drawingSvg,
  PROPOSAL_OPTIONS,
  proposalInput,
  proposeWalls,
  readDxfBytes,
} from '@dusky-spool/core/house';
import { ok } from '@dusky-spool/core/math';
import type { DrawingJobs, ShownDrawing } from './drawing-jobs.ts';
import { type JobPort, serveJobs } from './jobs.ts';

/** Reads drawings and proposes walls away from the page. */
let read: Drawing | null = null;
/** Dimensions that the page is told of. */
const MAX_SHOWN = 200;

function opened(): Drawing {
  if (!read) throw new Error('No drawing has been read.');
  return read;
}

serveJobs<DrawingJobs>(self as unknown as JobPort, {
  read: async (file, { report }) => {
    const bytes = new Uint8Array(await file.arrayBuffer());
    report(0.1);
    const outcome = readDxfBytes(bytes, (share) => report(0.1 + share * 0.9));
    if (!outcome.ok) return outcome;
    read = outcome.value;
    return ok(shownDrawing(read));
  },
  marks: ({ metresPerUnit, layers }) => drawingMarks(opened(), metresPerUnit, layers),
  words: ({ metresPerUnit, layers }) => {
    const wanted = new Set(layers);
    return opened()
      .texts.filter(({ layer }) => wanted.has(layer))
      .map(({ x, y, height, text }) => ({ at: [x * metresPerUnit, y * metresPerUnit], heightM: height * metresPerUnit, text }));
  },
  picture: ({ metresPerUnit, layers }) => drawingSvg(opened(), metresPerUnit, new Set(layers)),
  proposeWalls: ({ metresPerUnit, walls, openings }, { report }) =>
    proposeWalls(proposalInput(opened(), metresPerUnit, walls, openings), PROPOSAL_OPTIONS, report),
});

function shownDrawing(drawing: Drawing): ShownDrawing {
  const { marks, dimensions, metresPerUnit, guess, bounds, origin, problems, ignored } = drawing;
  const marked = new Map<string, number>();
  for (const { layer } of marks) marked.set(layer, (marked.get(layer) ?? 0) + 1);
  const layers = drawing.layers.map(({ arcs: _, lines, ...layer }) => ({
    ...layer,
    lines: Float32Array.from(lines),
    marks: marked.get(layer.name) ?? 0,
  }));
  return { layers, dimensions: dimensions.slice(0, MAX_SHOWN), metresPerUnit, guess, bounds, origin, problems, ignored };
}
