export type { TextKey } from './text-key.ts';
// Here: every English sentence of the product, and the functions that fill figures into them.
// Not here: any rule; codes and figures come from the core.
// Start with `en`, then `problemSentence`.
export { figureName, figureValue } from './figure-names.ts';
export { type GuidePage, guidePages, type GuideSection } from './en/guide.ts';
export { CAUTIONS } from './cautions.ts';
export { en } from './en/index.ts';
export { words, type Words } from './words.ts';
export { cureSentence, fieldName, findingSentence, problemSentence } from './sentences.ts';
export { type ConflictLine, conflictLines, fieldValue, recordName } from './record-words.ts';
export { placeWords, sheetPlaceWords } from './place-words.ts';
export { packageGaps, packageThing, type PackageGaps } from './package-gaps.ts';
export { billName, billNames, offerLineName } from './bill-name.ts';
export { cablingWords } from './cabling-words.ts';
export { checkWords } from './check-words.ts';
