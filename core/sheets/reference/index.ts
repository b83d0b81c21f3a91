// Here: the engineering reference as data: a page a topic, with formulas, limits, sources, worked examples and the rules that rest on them.
// Not here: the formulas (calculators) and its words (texts).
// Start with `referencePage`.
// Terms: docs/glossary.md.
export {
  type ReferenceEntry,
  referenceOfRule,
  referencePage,
  referencePages,
  type ReferenceRule,
  referenceRules,
} from './reference.ts';
