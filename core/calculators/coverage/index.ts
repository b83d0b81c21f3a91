// Here: what a camera sees and how far radio carries, by formula.
// Not here: views over the plan.
// Start with `cameraDensity` and `pathLoss`.
// Terms: docs/glossary.md.
export { cameraDensity } from './camera-density.ts';
export { pathLoss } from './path-loss.ts';
