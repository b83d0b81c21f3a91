// Here: speaker cable, loads, networks and volume controls.
// Not here: findings about speaker runs (rules).
// Start with `speakerCableLoss`.
// Terms: docs/glossary.md.
export { constantVoltage } from './constant-voltage.ts';
export {
  LOSS_STOP_DB,
  LOSS_TARGET_DB,
  speakerCableGauge,
  speakerCableGaugeCalculator,
  STRICTER_TARGETS_DB,
} from './speaker-cable-gauge.ts';
export { speakerCableLoss, speakerCableLossCalculator, speakerLoopLoss } from './speaker-cable-loss.ts';
export { damping } from './speaker-damping.ts';
export { speakerLoad, speakerLoadCalculator } from './speaker-load.ts';
export { speakerNetwork } from './speaker-network.ts';
export { speakerResponse } from './speaker-response.ts';
export { volumeControl } from './volume-control.ts';
