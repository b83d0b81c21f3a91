import { drawingSvg, proposeWalls, readDxf, type Drawing, type ProposalInput } from '@dusky-spool/core/plans';
import type { Point2 } from '@dusky-spool/core/geometry';
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
      const layers = drawing.layers.map(({ name, lines }) => ({ name, lines: Float32Array.from(lines) }));
      const { metresPerUnit, guessMetresPerUnit, bounds, problems, ignored } = drawing;
      say(
        { tell: 'drawing', drawing: { layers, metresPerUnit, guessMetresPerUnit, bounds, problems, ignored } },
        layers.map(({ lines }) => lines.buffer),
      );
    });
    return;
  }
  if (!drawing) return;
  if (question.ask === 'picture') {
    say({ tell: 'picture', ...drawingSvg(drawing, question.metresPerUnit, new Set(question.layers)) });
  } else {
    const { metresPerUnit: m } = question;
    const from = (names: readonly string[]) => drawing!.layers.filter(({ name }) => names.includes(name));
    const lines = (names: readonly string[]): [Point2, Point2][] =>
      from(names).flatMap(({ lines: list }) =>
        Array.from({ length: list.length / 4 }, (_, i): [Point2, Point2] => [
          [list[4 * i] * m, list[4 * i + 1] * m],
          [list[4 * i + 2] * m, list[4 * i + 3] * m],
        ]),
      );
    const arcs = drawing.layers.flatMap(({ arcs: list }) =>
      Array.from({ length: list.length / 5 }, (_, i) => ({
        centre: [list[5 * i] * m, list[5 * i + 1] * m] as Point2,
        radiusM: list[5 * i + 2] * m,
        startRad: list[5 * i + 3],
        endRad: list[5 * i + 4],
      })),
    );
    const input: ProposalInput = { lines: lines(question.walls), openingLines: lines(question.openings), arcs };
    say({ tell: 'proposals', proposals: proposeWalls(input) });
  }
};
