// Here: what is printed on a cable's two ends, and reading it back.
// Not here: the sheet of paper (server documents) and the camera (web).
// Start with `labelsOf`.
// Terms: docs/glossary.md.
export { labelCode, readLabelCode, type LabelCode } from './label-code.ts';
export { bundleTags, type BundleTag } from './bundle-tag.ts';
export { labelFit, type LabelFit } from './fit.ts';
export { labelsCsv, type LabelTitles } from './labels-csv.ts';
export { labelsOf, type CableLabel } from './cable-label.ts';
export { LABEL_SIZES, sheetLayout, type LabelSize, type Paper, type SheetLayout } from './sheet-layout.ts';
