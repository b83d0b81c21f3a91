// Here: heat, air, circuits, ports and batteries of a head end, by formula.
// Not here: its elevation and patching.
// Start with `rackHeat`.
// Terms: docs/glossary.md.
export { circuitLoad } from './circuit-load.ts';
export { patchPorts } from './patch-ports.ts';
export { rackHeat } from './rack-heat.ts';
export { upsTime } from './ups-time.ts';
