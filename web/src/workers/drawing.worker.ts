import { type Drawing, drawingMarks, drawingSvg, proposalInput, proposeWalls, readDxf } from '@dusky-spool/core/house';
import { ok } from '@dusky-spool/core/math';
import type { DrawingJobs, ShownDrawing } from './drawing-jobs.ts';
import { type JobPort, serveJobs } from './jobs.ts';

/** Reads drawings and proposes walls away from the page. */
let read: Drawing | null = null;

function opened(): Drawing {
  if (!read) throw new Error('No drawing has been read.');
  return read;
}

serveJobs<DrawingJobs>(self as unknown as JobPort, {
  read: async (file, { report }) => {
    const text = await file.text();
    report(0.15);
    const outcome = readDxf(text, (share) => report(0.15 + share * 0.85));
    if (!outcome.ok) return outcome;
    read = outcome.value;
    return ok(shownDrawing(read));
  },
  marks: ({ metresPerUnit, layers }) => drawingMarks(opened(), metresPerUnit, layers),
  picture: ({ metresPerUnit, layers }) => drawingSvg(opened(), metresPerUnit, new Set(layers)),
  proposeWalls: ({ metresPerUnit, walls, openings }) => proposeWalls(proposalInput(opened(), metresPerUnit, walls, openings)),
});

function shownDrawing(drawing: Drawing): ShownDrawing {
  const { marks, metresPerUnit, guessMetresPerUnit, bounds, origin, problems, ignored } = drawing;
  const layers = drawing.layers.map(({ name, lines }) => ({
    name,
    lines: Float32Array.from(lines),
    marks: marks.filter(({ layer }) => layer === name).length,
  }));
  return { layers, metresPerUnit, guessMetresPerUnit, bounds, origin, problems, ignored };
}
