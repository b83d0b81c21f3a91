import { isConduit } from '../model/index.ts';
import { defineCheck, say } from './check.ts';

/** A run that is no leg of its device's recipe, answers no decision and has no reason is one that nobody asked for (practice B14). */
export const runsAskedFor = defineCheck({
  id: 'runs-asked-for',
  title: 'Every run was asked for, or says why it is there',
  source: 'Trade practice',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes', 'deviceTypes'],
  ofRun: ({ run, device }, { project }) => {
    const cable = project.cableTypes[run.cableTypeId];
    const isAsked =
      run.recipeLeg !== null ||
      run.reason !== '' ||
      run.note !== '' ||
      run.stored ||
      device.decisionId !== null ||
      device.fitting === 'spare';
    // Conduits and bonding conductors follow from rules of their own.
    if (isAsked || isConduit(cable) || cable.family === 'bond') return [];
    return [
      say('look', 'run-not-asked', [{ in: 'runs', id: run.id }], {
        number: run.number,
        cable: cable.name,
        device: project.deviceTypes[device.typeId].name,
      }),
    ];
  },
});
