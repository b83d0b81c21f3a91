// Here: the list of every calculator, with its input schema, for the command line and for screens.
// Not here: the calculators themselves (in their domain folders).
// Start with `CALCULATORS`.
// Terms: docs/glossary.md.
export { filledIn } from './filled-in.ts';
export { CALCULATORS, listCalculators, runCalculator, stepsOf } from './registry.ts';
export { CALCULATOR_TOPICS, type Calculator, type CalculatorTopic } from '../calculation/index.ts';
