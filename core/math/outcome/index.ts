// Here: the shape in which every expected problem is told (ARCHITECTURE habit 4).
// Not here: sentences (see the texts workspace) and thrown programming errors.
// Start with `Outcome`.
// Terms: docs/glossary.md.
export { err, ok, type Outcome, type Problem, REFUSAL_KINDS } from './outcome.ts';
