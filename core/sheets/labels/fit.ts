/** How large a label is on a cable, mm. */
export interface LabelFit {
  /** Around once with the print, and one and a half times more with clear film over it. */
  readonly wrapMm: number;
  /** Print that can be read without turning the cable: half of its girth. */
  readonly printMm: number;
  /** Around once, with a flag on each side that stick together. */
  readonly flagMm: number;
}

const CLEAR_TURNS = 1.5;
/** Shortest label that a machine cuts, and the side of a flag, mm. */
const SHORTEST_MM = 18;
const FLAG_MM = 25;

/** Answers: how long must a label be for a cable or a bundle? Units: diameter in m, lengths in mm. From the girth; valid for round ones. */
export function labelFit(diameterM: number): LabelFit {
  const girthMm = Math.PI * diameterM * 1000;
  const up = (lengthMm: number) => Math.ceil(lengthMm - 1e-9);
  return {
    wrapMm: Math.max(SHORTEST_MM, up(girthMm * (1 + CLEAR_TURNS))),
    printMm: Math.max(6, Math.floor(girthMm / 2)),
    flagMm: up(girthMm + 2 * FLAG_MM),
  };
}
