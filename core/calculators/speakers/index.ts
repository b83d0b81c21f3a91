export { lossLimitDb, speakerCableGauge, speakerCableGaugeInput } from './speaker-cable-gauge.ts';
export { speakerCableLoss, speakerCableLossInput } from './speaker-cable-loss.ts';
export { constantVoltage, damping, speakerNetwork, speakerResponse, volumeControl } from './speaker-lines.ts';
export { speakerLoad, speakerLoadInput } from './speaker-load.ts';
