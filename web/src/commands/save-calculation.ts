import { create, type KeptCalculation, type Operation } from '@dusky-spool/core/model';

const MAX_RESULT = 2000;

/** Keeps a calculation with a run, or with the project where `runId` is null. */
export const saveCalculation = (calculation: Omit<KeptCalculation, 'note'>): Operation[] => [
  create('keptCalculations', { ...calculation, result: calculation.result.slice(0, MAX_RESULT), note: '' }),
];
