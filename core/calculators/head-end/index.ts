// Here: heat, air, circuits, ports and batteries of a head end, by formula.
// Not here: its elevation and patching.
// Start with `rackHeat`.
// Terms: docs/glossary.md.
export { circuitLoad, patchPorts, rackHeat, upsTime } from './head-end.ts';
