// Here: drawing and editing the house, with all that follows (rooms, openings, devices carried along), and settling it again.
// Not here: reading the house (house), routes through it (routing), what may be wrong with it (rules).
// Start with `drawWalls`, then `settleHouse`.
// Terms: docs/glossary.md.
export {
  acceptRevision,
  type AcceptedRevision,
  type ChangedRoom,
  changedRooms,
  type LyingRun,
  type Touched,
  touchedBy,
} from './accept-revision.ts';
export { moveLevel, sharedPoints } from './align-levels.ts';
export {
  alignFeatures,
  arrayMotions,
  type Clip,
  clipBounds,
  clipOf,
  distributeFeatures,
  EDGES,
  mirrorMotion,
  type Motion,
  moveFeatures,
  paste,
} from './arrange.ts';
export { copyLevel, type LevelCopy, levelOnTop } from './copy-level.ts';
export { drawingPlace } from './drawing-place.ts';
export {
  guessColumns,
  guessTableUnit,
  houseFromTable,
  type HouseTable,
  MAX_TABLE_COLUMNS,
  MAX_PRICE_ROWS,
  MAX_TABLE_ROWS,
  readHouseTable,
  TABLE_FIELDS,
  type TableColumns,
  type TableField,
  tableHouse,
  type TableHouse,
  tableOfRows,
  type TableUnit,
} from './house-table.ts';
export {
  buildOf,
  isDefaultBuild,
  type JoistDefaults,
  type LevelDefaults,
  setLevelDefaults,
  wallBuildOf,
} from './level-defaults.ts';
export { openingFits, placeOpening, removeOpenings } from './openings.ts';
export { onlyOutlines, resettle } from './resettle.ts';
export {
  type LaidRevision,
  laidRevision,
  type RevisedKind,
  type RevisedPiece,
  revisedPieces,
  revisionAt,
} from './revised-plan.ts';
export { sameKind } from './same-kind.ts';
export { parseScale, USUAL_RATIOS } from './stated-scale.ts';
export { correctionsOf } from './trade-marks.ts';
export {
  type ChainCorner,
  chainPoints,
  type ChainSetting,
  cornerAtLength,
  cornerTowards,
  type LengthsBetween,
  type PlaceOnWall,
  placeOnWall,
  rectangleFrom,
  sideLengthM,
  type WallChain,
  type WallLine,
} from './wall-chain.ts';
export { namedByWords, wallsFromProposals, type WordsAt } from './walls-from-proposals.ts';
export { drawWalls, moveWalls, type NewId, placeWall, removeWalls, splitWall, WALL_BUILDS, type WallBuild } from './walls.ts';
export {
  DEVICE_FIELDS,
  type DeviceColumns,
  type DeviceField,
  devicesFromTable,
  devicesOfTable,
  type DeviceTable,
  guessDeviceColumns,
  isDeviceTable,
  type TableDevice,
} from './device-table.ts';
export {
  guessLengthColumns,
  isLengthTable,
  LENGTH_TABLE_FIELDS,
  type LengthColumns,
  type LengthTable,
  type LengthTableField,
  lengthsFromTable,
  lengthsOfTable,
  type MeasuredLength,
} from './length-table.ts';
export {
  amountInCell,
  CellFault,
  cellFault,
  columnsByName,
  dayInCell,
  eachRow,
  lengthInCell,
  plainWords,
  spelled,
  type TableProblem,
  type TableRow,
} from './table-cells.ts';
