// Here: boxes with their plates: which devices share one, what is in each gang, how it lines up with the electrician's.
// Not here: whether the box can be built in its wall (mounting) and the printed schedule (documents).
// Start with `composePlate`, then `plateProblems`.
// Terms: docs/glossary.md.
export { composePlate, dissolvePlate, recompose } from './compose.ts';
export { platesWanted } from './wanted.ts';
export { plateProblems, PLATE_PROBLEMS, type PlateProblem, type PlateProblemCode } from './problems.ts';
export { linePlateUp, mainsBoxBeside, setPlateHeight, type MainsBox } from './line-up.ts';
export { gangOffsetM, GANG_PITCH_M, gangsOf, INSERTS, insertOf, MOST_INSERTS, plateSizeM, type InsertKind } from './gangs.ts';
export { isMainsOutlet } from './mains.ts';
