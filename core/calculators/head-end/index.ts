// Here: heat, air, circuits, ports and batteries of a head end, by formula.
// Not here: its elevation and patching.
// Start with `rackHeat`.
// Terms: docs/glossary.md.
export { amplifierHeat } from './amplifier-heat.ts';
export { circuitLoad } from './circuit-load.ts';
export { floorLoad } from './floor-load.ts';
export { patchPorts } from './patch-ports.ts';
export { rackHeat } from './rack-heat.ts';
export { recorderDisk } from './recorder-disk.ts';
export { upsShedding } from './ups-shedding.ts';
export { upsTime } from './ups-time.ts';
