import { defineCheck, say } from './check.ts';
import { exchange } from './cures.ts';

const SHADE_FAMILIES: ReadonlySet<string> = new Set(['shade', 'cat', 'ctl_4']);

/** A run is of the kind of cable that its device asks for (practice B10). */
export const cableAsType = defineCheck({
  id: 'cable-as-type',
  title: 'Every run is of the kind of cable that its device takes',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes'],
  ofRun: ({ run, device }, { project }) => {
    const type = project.deviceTypes[device.typeId];
    const leg = run.recipeLeg === null ? undefined : type.cables[run.recipeLeg - 1];
    const wanted = leg && project.cableTypes[leg.cableTypeId];
    const cable = project.cableTypes[run.cableTypeId];
    if (!wanted || wanted.family === cable.family || (wanted.system === cable.system && wanted.system === 'picture')) return [];
    // Shades: special, data or four-conductor cable are schools; the volts at the motor judge them.
    if (type.system === 'shade' && SHADE_FAMILIES.has(cable.family)) return [];
    // A speaker cable of more conductors carries a second speaker along.
    if (wanted.system === 'sound' && cable.system === 'sound' && cable.conductors >= wanted.conductors) return [];
    // Fibre may always take the place of category cable.
    if (wanted.family === 'cat' && cable.family === 'fibre' && type.poeClass === null) return [];
    const noPower = type.poeClass !== null && wanted.family === 'cat';
    return [
      say(
        noPower ? 'stop' : 'look',
        noPower ? 'cable-no-power' : 'cable-not-as-type',
        [
          { in: 'runs', id: run.id },
          { in: 'devices', id: device.id },
        ],
        { number: run.number, device: type.name, cable: cable.name, wanted: wanted.name, purpose: leg.purpose },
        {
          cures: (house) => {
            const operations = exchange(house, run.id, house.cableTypes[wanted.id]);
            return operations.length > 0 ? [{ code: 'use-cable', figures: { name: wanted.name }, operations }] : [];
          },
        },
      ),
    ];
  },
});
