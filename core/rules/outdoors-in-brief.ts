import { OUTDOOR_AREAS, OUTDOOR_DEVICES } from '../house/index.ts';
import { pickedFrom } from '../derive/index.ts';
import { defineCheck, say } from './check.ts';

/** Every outdoor device belongs to an area that the brief asks about. */
export const outdoorsInBrief = defineCheck({
  id: 'outdoors-in-brief',
  title: 'The brief asks about the outdoors where devices stand there',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'devices',
  reads: ['briefCells'],
  nodes: [OUTDOOR_AREAS, OUTDOOR_DEVICES],
  run: ({ project }) => {
    const devices = pickedFrom(project, OUTDOOR_DEVICES);
    if (devices.length === 0 || pickedFrom(project, OUTDOOR_AREAS).length > 0) return [];
    if (Object.keys(project.briefCells).length === 0) return [];
    return [
      say(
        'look',
        'outdoors-not-asked',
        devices.slice(0, 20).map(({ id }) => ({ in: 'devices' as const, id })),
        { number: '', count: devices.length },
        { measured: devices.length, allowed: 0 },
      ),
    ];
  },
});
