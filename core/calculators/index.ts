// Here: the shape of a calculator: what goes in, what comes out, and how it is shown.
// Not here: the calculators (domain folders) and the list of them (calculators).
// Start with `calculator`.
// Terms: docs/glossary.md.
// Here: the list of every calculator, with its input schema, for the command line and for screens.
// Not here: the calculators themselves (in their domain folders).
// Start with `CALCULATORS`.
// Terms: docs/glossary.md.
export { atMost, CALCULATOR_TOPICS } from './calculator.ts';
export { CALCULATORS, listCalculators, runCalculator, stepsOf } from './list.ts';
export * from './coax/index.ts';
export * from './coverage/index.ts';
export * from './data/index.ts';
export * from './head-end/index.ts';
export * from './lighting/index.ts';
export * from './order/index.ts';
export * from './pathways/index.ts';
export * from './placing/index.ts';
export * from './power/index.ts';
export * from './security/index.ts';
export * from './shades/index.ts';
export * from './speakers/index.ts';
export * from './structure/index.ts';
export * from './survey/index.ts';
export * from './theatre/index.ts';
export * from './video/index.ts';
export * from './wire/index.ts';
