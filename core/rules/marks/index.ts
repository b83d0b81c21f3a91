// Here: what people decide of findings: accepted with a reason, given to somebody, noted.
// Not here: the rules that find (checks).
// Start with `markOf` and `acceptFinding`.
// Terms: docs/glossary.md.
export { acceptFinding, findingKey, isAccepted, liftAcceptance, markOf, noteFinding, openOf } from './marks.ts';
