// Here: what may be bored of studs, joists and plates, and how wide a hole cables need.
// Not here: where routes bore (routing) and the lists for the crew (documents).
// Start with `boreLimit`, then `holesFor`.
// Terms: docs/glossary.md.
export { boreLimit, isOutsideSpan, NAIL_PLATE_M, needsNailPlates, type BoredMember, type BoreLimit } from './limits.ts';
export { notchLimit, type Notch, type NotchLimit } from './notch.ts';
export { bitFor, BITS_M, bundleDiameterM, HOLE_FILL, holeForM, holesFor } from './hole-size.ts';
export { boreCheck, holeFill, notchCheck } from './calculators.ts';
