// Here: network cable: how far it carries which rate, cords, and power over it.
// Not here: what is wrong with a run (checks) and ports of switches (head-end).
// Start with `dataLink` and `poeLink`.
// Terms: docs/glossary.md.
export { dataLink } from './data-link.ts';
export { linkLengthM } from './link-reach.ts';
export { patchCords } from './patch-cords.ts';
export { pinOut } from './pin-out.ts';
export { POE_PLANNED_SHARE, poeBudget } from './poe-budget.ts';
export { poeBundle } from './poe-bundle.ts';
export { poeLink } from './poe-link.ts';
export { POE_CLASSES, poeDelivered } from './poe.ts';
