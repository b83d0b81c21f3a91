// Here: conversion at the borders; inside the core every length is in metres.
// Not here: sentences about problems, and rounding before a comparison (never done).
// Start with `parseLength` and `formatLength`.
// Terms: docs/glossary.md.
export { DEGREE_RAD, FOOT_M, GRAVITY, INCH_M, LBF_N, METRES_PER, RACK_UNIT_M, type UnitSystem } from './factors.ts';
export { formatArea, formatCableLength, formatClearance, formatLength, formatLengthFine, formatThin } from './format-length.ts';
export { PAPER_MM } from './paper.ts';
export { parseLength } from './parse-length.ts';
