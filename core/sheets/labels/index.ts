// Here: what is printed on a cable's two ends, and reading it back.
// Not here: the sheet of paper (server documents) and the camera (web).
// Start with `labelsOf`.
// Terms: docs/glossary.md.
export { type BundleTag, bundleTags } from './bundle-tag.ts';
export { type CableLabel, labelsOf } from './cable-label.ts';
export { labelFit } from './fit.ts';
export { labelCode, readLabelCode } from './label-code.ts';
export { labelsCsv } from './labels-csv.ts';
export { type LabelPens, labelsSvg } from './labels-svg.ts';
export { LABEL_SIZES, type LabelSize, type Paper, sheetLayout } from './sheet-layout.ts';
