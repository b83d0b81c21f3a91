import { pickedFrom } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { bondingBar, hasType, OF_TYPE, part } from './entry-protection.ts';

const MAST_TYPES: ReadonlySet<string> = new Set(['aerial', 'dish', 'uhf-antenna', 'fm-antenna']);
const MASTS = part('masts', ({ typeId }) => MAST_TYPES.has(typeId));

/** Masts and dishes are bonded (ENGINEERING 5.5). */
export const aerialBonded = defineCheck({
  id: 'aerial-bonded',
  title: 'Antennas and dishes are bonded',
  source: 'NEC 810, 820 style; EN 60728-11',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes'],
  nodes: [MASTS, OF_TYPE['bonding-bar']],
  safety: true,
  run: ({ project }) => {
    if (hasType(project, 'bonding-bar')) return [];
    return pickedFrom(project, MASTS).map((device): RuleFinding =>
      say(
        'stop',
        'aerial-not-bonded',
        [{ in: 'devices', id: device.id }],
        { number: '', device: project.deviceTypes[device.typeId].name },
        { measured: 0, allowed: 1, cures: (house) => bondingBar(house, house) },
      ),
    );
  },
});
