// Here: drawings from outside (DXF) taken apart into lines, and the walls that their lines propose.
// Not here: walls of a project (survey) and pictures (server, web).
// Start with `readDxf`, then `proposeWalls`.
// Terms: docs/glossary.md.
export { type DimensionCheck, dimensionCheck } from './dimension-check.ts';
export { drawingMarks, type TradeMarkAt } from './drawing-marks.ts';
export { drawingSvg, SVG_PX_PER_M } from './drawing-svg.ts';
export { type Drawing, type DrawingDimension, type LayerState, lineCount, type UnitEvidence, type UnitGuess } from './drawing.ts';
export { isNamedForWalls } from './layer-names.ts';
export { metresSaid } from './drawing-units.ts';
export { pictureToPlan, planToPicture } from './picture-place.ts';
export { proposalInput } from './proposal-input.ts';
export { readDxf, readDxfBytes } from './read-dxf.ts';
export { svgLines } from './svg-lines.ts';
export { PAPER_METRES_OF_PX, PX_OF_UNIT } from './svg-units.ts';
export { type OpeningProposal, type Proposals, proposeWalls, type WallProposal } from './wall-proposals.ts';
export { PROPOSAL_OPTIONS } from './wall-bands.ts';
