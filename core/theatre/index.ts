// Here: calculations of a theatre: picture, sight lines, levels, delays, modes of the room.
// Not here: placing of its parts.
// Start with `screenSize`.
// Terms: docs/glossary.md.
export { eyeRows, screenBrightness, screenSize, throwWindow, viewingAngle } from './picture.ts';
export { channelFit, layoutChannels, speakerDelay, speakerPower, soundLevel, soundInRoom } from './sound.ts';
export { modalResponse, roomMode } from './modes.ts';
