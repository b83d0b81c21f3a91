// Here: ways in screed and slab: what they cross, how much lies over them, where they come up, and whether they are signed.
// Not here: routing along them (routing) and filling them (conduits).
// Start with `screedWays`.
// Terms: docs/glossary.md.
export { movedFromSigned, type ScreedWay, screedWays, SIGNED_WITHIN_M, signWay } from './screed-ways.ts';
