// Here: calculations of a theatre: picture, sight lines, levels, delays, modes of the room.
// Not here: placing of its parts.
// Start with `screenSize`.
// Terms: docs/glossary.md.
export { layoutChannels } from './layout-score.ts';
export { modalResponse } from './modal-response.ts';
export { roomMode } from './room-mode.ts';
export { eyeRows } from './row-risers.ts';
export { screenBrightness } from './screen-brightness.ts';
export { screenSize } from './screen-size.ts';
export { soundInRoom } from './sound-in-room.ts';
export { soundLevel } from './sound-level.ts';
export { speakerDelay } from './speaker-delays.ts';
export { speakerPower } from './speaker-power.ts';
export { throwWindow } from './throw-window.ts';
export { viewingAngle } from './viewing-angle.ts';
