// Here: calculations of a theatre: picture, sight lines, levels, delays, modes of the room.
// Not here: placing of its parts.
// Start with `screenSize`.
// Terms: docs/glossary.md.
export { anamorphicLens } from './anamorphic-lens.ts';
export { beamHeight } from './beam-height.ts';
export { boundaryNotch } from './boundary-notch.ts';
export { channelWindow } from './channel-window.ts';
export { displayPlace } from './display-place.ts';
export { firstReflection } from './first-reflection.ts';
export { layoutChannels } from './layout-score.ts';
export { modalResponse, MODES_TO_HZ } from './modal-response.ts';
export { modeCoupling } from './mode-coupling.ts';
export { offAxisLoss } from './off-axis-loss.ts';
export { overheadPair } from './overhead-pair.ts';
export { panelArea } from './panel-area.ts';
export { pistonBeaming } from './piston-beaming.ts';
export { projectorOffset } from './projector-offset.ts';
export { ABSORPTION, reverberation } from './reverberation.ts';
export { riserSteps } from './riser-steps.ts';
export { roomAir } from './room-air.ts';
export { roomMode } from './room-mode.ts';
export { roomRatios } from './room-ratios.ts';
export { eyeRows } from './row-risers.ts';
export { rowSight } from './row-sight.ts';
export { scopeByZoom } from './scope-by-zoom.ts';
export { screenBrightness } from './screen-brightness.ts';
export { screenSize } from './screen-size.ts';
export { screenWeave } from './screen-weave.ts';
export { seatOffAxis } from './seat-off-axis.ts';
export { soundInRoom } from './sound-in-room.ts';
export { soundLevel } from './sound-level.ts';
export { soundSightLine } from './sound-sight-line.ts';
export { soundSpill } from './sound-spill.ts';
export { speakerAim } from './speaker-aim.ts';
export { speakerDelay } from './speaker-delays.ts';
export { speakerDirection } from './speaker-direction.ts';
export { speakerPower } from './speaker-power.ts';
export { subwooferOutput } from './subwoofer-output.ts';
export { sumOfSources } from './sum-of-sources.ts';
export { throwWindow } from './throw-window.ts';
export { viewingAngle } from './viewing-angle.ts';
export { angleWindow, beyondWindow, type WindowChannel } from './angle-windows.ts';
export { type Direction, directionOf } from './direction.ts';
export { channelFit } from './levels.ts';
export { sightThrough } from './sound-sight-line.ts';
export { SOUND_M_PER_S } from './speed-of-sound.ts';
