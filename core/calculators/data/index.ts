// Here: network cable: how far it carries which rate, cords, and power over it.
// Not here: what is wrong with a run (checks) and ports of switches (head-end).
// Start with `dataLink` and `poeLink`.
// Terms: docs/glossary.md.
export { dataLink, linkLengthM, patchCords } from './data-link.ts';
export { POE_CLASSES, poeBudget, poeBundle, poeDelivered, poeLink } from './poe.ts';
