// Here: calculations of a theatre: picture, sight lines, levels, delays, modes of the room.
// Not here: placing of its parts.
// Start with `screenSize`.
// Terms: docs/glossary.md.
export { modalResponse, roomMode } from './modes.ts';
export { eyeRows, screenBrightness, screenSize, throwWindow, viewingAngle } from './picture.ts';
export { layoutChannels, soundInRoom, soundLevel, speakerDelay, speakerPower } from './sound.ts';
