import { type Drawing, drawingMarks, drawingSvg, proposalInput, proposeWalls, readDxf } from '@dusky-spool/core/house';
import type { DrawingAnswer, DrawingQuestion } from './drawing-contract.ts';

/** Reads drawings and proposes walls away from the page; ended by the page where it is called off. */
let drawing: Drawing | null = null;
const say = (answer: DrawingAnswer, transfer: Transferable[] = []) => (self as unknown as Worker).postMessage(answer, transfer);

self.onmessage = (event: MessageEvent<DrawingQuestion>) => {
  const question = event.data;
  if (question.ask === 'read') {
    void question.file.text().then((text) => {
      say({ tell: 'progress', share: 0.15 });
      const read = readDxf(text, (share) => say({ tell: 'progress', share: 0.15 + share * 0.85 }));
      if (!read.ok) return say({ tell: 'refused', problem: read.problem });
      drawing = read.value;
      const { marks } = drawing;
      const layers = drawing.layers.map(({ name, lines }) => ({
        name,
        lines: Float32Array.from(lines),
        marks: marks.filter(({ layer }) => layer === name).length,
      }));
      const { metresPerUnit, guessMetresPerUnit, bounds, origin, problems, ignored } = drawing;
      say(
        { tell: 'drawing', drawing: { layers, metresPerUnit, guessMetresPerUnit, bounds, origin, problems, ignored } },
        layers.map(({ lines }) => lines.buffer),
      );
    });
    return;
  }
  if (!drawing) return;
  if (question.ask === 'marks') {
    say({ tell: 'marks', marks: drawingMarks(drawing, question.metresPerUnit, question.layers) });
  } else if (question.ask === 'picture') {
    say({ tell: 'picture', ...drawingSvg(drawing, question.metresPerUnit, new Set(question.layers)) });
  } else {
    const input = proposalInput(drawing, question.metresPerUnit, question.walls, question.openings);
    say({ tell: 'proposals', proposals: proposeWalls(input) });
  }
};
