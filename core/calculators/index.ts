// Here: every calculator, one a file in the folder of its topic, their shape, and the list of them.
// Not here: findings (rules), which call them, and what a project fills into their fields (runs).
// Start with `CALCULATORS`.
// Terms: docs/glossary.md.
export { atMost, type Calculator, CALCULATOR_TOPICS, type CalculatorTopic, type ProjectFact } from './calculator.ts';
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
