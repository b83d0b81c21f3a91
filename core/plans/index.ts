// Here: drawings from outside (DXF) taken apart into lines, and the walls that their lines propose.
// Not here: walls of a project (survey) and pictures (server, web).
// Start with `readDxf`, then `proposeWalls`.
// Terms: docs/glossary.md.
export { drawingMarks, type TradeMarkAt } from './drawing-marks.ts';
export { lineCount, type Drawing, type DrawingMark, type DrawingLayer, type DrawingText } from './drawing.ts';
export { MOST_DRAWING_BYTES, readDxf } from './read-dxf.ts';
export {
  PROPOSAL_OPTIONS,
  proposeWalls,
  type OpeningProposal,
  type ProposalInput,
  type ProposalOptions,
  type Proposals,
  type WallProposal,
} from './wall-proposals.ts';
export { drawingSvg, SVG_PX_PER_M, svgLines } from './drawing-svg.ts';
export { proposalInput } from './proposal-input.ts';
