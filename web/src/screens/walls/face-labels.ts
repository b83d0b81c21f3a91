import { type Box, placeLabels } from '@dusky-spool/core/math';

/** Something drawn square on with its bead and its words, px. */
export interface LabelledFace {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: string;
}

export interface FaceLabel {
  /** Middle of the bead. */
  readonly bead: readonly [number, number];
  /** Left end of the words' line; null where there is no room for them. */
  readonly words: readonly [number, number] | null;
}

const BEAD = { width: 30, height: 22 } as const;
const CHARACTER = 6.1;
const LINE = 14;
/** A face this large has its bead in its middle. */
const ROOMY = { width: 46, height: 30 } as const;

/** Beads in or beside their faces and words beside their beads, so that none lies over another. The first ones choose first. */
export function labelFaces(faces: readonly LabelledFace[]): Map<string, FaceLabel> {
  const bodies = faces.map(({ x, y, width, height }): Box => ({ x: x - width / 2, y: y - height / 2, width, height }));
  const small = bodies.filter(({ width, height }) => width < ROOMY.width || height < ROOMY.height);
  const beads = placeLabels(
    faces.map(({ id, x, y, width, height }) => {
      const middle = [x - BEAD.width / 2, y - BEAD.height / 2] as const;
      if (width >= ROOMY.width && height >= ROOMY.height) return { id, ...BEAD, places: [middle] };
      const up = y - height / 2 - BEAD.height - 3;
      const down = y + height / 2 + 3;
      const right = x + width / 2 + 3;
      const left = x - width / 2 - BEAD.width - 3;
      const places = [
        [middle[0], up],
        [right, middle[1]],
        [left, middle[1]],
        [middle[0], down],
        [right, up],
        [left, up],
        [middle[0], up - BEAD.height],
        [middle[0], down + BEAD.height],
        [right, up - BEAD.height],
        [left, up - BEAD.height],
      ] as const;
      return { id, ...BEAD, places };
    }),
    small,
  );
  const at = (face: LabelledFace) => beads.get(face.id) ?? ([face.x - BEAD.width / 2, face.y - BEAD.height / 2] as const);
  const taken = [...small, ...faces.map((face): Box => ({ x: at(face)[0], y: at(face)[1], ...BEAD }))];
  const words = placeLabels(
    faces.map((face) => {
      const [bx, by] = at(face);
      const width = face.words.length * CHARACTER;
      const middle = bx + BEAD.width / 2 - width / 2;
      const ys = [by + BEAD.height + 8, by - LINE - 8, by + 4];
      const below = face.y + face.height / 2 + 2;
      const places = [
        [middle, ys[0]],
        [middle, below],
        [middle, ys[1]],
        [bx + BEAD.width + 3, ys[2]],
        [bx - width - 3, ys[2]],
        [middle, below + LINE],
        [middle, ys[1] - LINE],
      ] as const;
      return { id: face.id, width, height: LINE, places };
    }),
    taken,
  );
  return new Map(
    faces.map((face) => {
      const [bx, by] = at(face);
      const line = words.get(face.id);
      return [face.id, { bead: [bx + BEAD.width / 2, by + BEAD.height / 2], words: line ? [line[0], line[1] + LINE - 3] : null }];
    }),
  );
}

/** Turns a face on a ceiling by the facing of its device. */
export const faceTurn = (facingRad: number) => `rotate(${90 - (facingRad * 180) / Math.PI})`;
