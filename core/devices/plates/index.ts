// Here: boxes with their plates: which devices share one, what is in each gang, how it lines up with the electrician's.
// Not here: whether the box can be built in its wall (mounting) and the printed schedule (documents).
// Start with `composePlate`, then `plateProblems`.
// Terms: docs/glossary.md.
export { composePlate, dissolvePlate, recompose } from './compose.ts';
export { gangOffsetM, type InsertKind, INSERTS, MAX_INSERTS, plateSizeM } from './gangs.ts';
export { linePlateUp, mainsBoxBeside, setPlateHeight } from './line-up.ts';
export { isMainsOutlet } from './mains.ts';
export { PLATE_PROBLEMS, type PlateProblem, plateProblems } from './problems.ts';
export { platesWanted } from './wanted.ts';
