// Here: the copper itself: resistance by gauge, speaker cable loss and limits.
// Not here: findings about runs (checks).
// Start with `speakerCableLoss`.
// Terms: docs/glossary.md.
export { wireResistance, wireResistanceInput, type WireResistanceInput, type WireResistanceResult } from './wire-resistance.ts';
export {
  speakerCableLoss,
  speakerCableLossInput,
  type SpeakerCableLossInput,
  type SpeakerCableLossResult,
} from './speaker-cable-loss.ts';
export {
  lossLimitDb,
  SPEAKER_GAUGES,
  speakerCableGauge,
  speakerCableGaugeInput,
  type SpeakerCableGaugeInput,
  type SpeakerCableGaugeResult,
} from './speaker-cable-gauge.ts';
export { speakerLoad, speakerLoadInput, type SpeakerLoadInput, type SpeakerLoadResult } from './speaker-load.ts';
export {
  areaMm2Of,
  bendRadius,
  CLAD_REFUSED,
  diameterMmOf,
  judgeMaterial,
  materialAllowed,
  parallelConductors,
  pullLimit,
  wireSizes,
  WIRE_USES,
} from './conductors.ts';
export { constantVoltage, damping, speakerNetwork, speakerResponse, volumeControl } from './speaker-lines.ts';
