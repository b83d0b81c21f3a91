import { controlPathsOf, HEAD_END_PARTS, sceneLacks } from '../head-end/index.ts';
import { RUNS_BY_DEVICE } from '../runs/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** What a scene sets off is reached by a command, and its button is there (PRACTICE A53). */
export const scenePaths = defineCheck({
  id: 'scene-paths',
  title: 'Scenes reach what they act on',
  source: 'Trade practice: each device has its control path and cable',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes', 'devices', 'scenes'],
  nodes: [HEAD_END_PARTS, RUNS_BY_DEVICE],
  run: ({ project, read }): RuleFinding[] => {
    if (read.get(HEAD_END_PARTS).equipment.length === 0 || Object.keys(project.scenes).length === 0) return [];
    return sceneLacks(project, controlPathsOf(project)).map(({ sceneId, reason, deviceId }) => {
      const device = project.devices[deviceId ?? ''];
      return say('look', `scene-${reason}`, device ? [{ in: 'devices', id: device.id }] : [{ in: 'scenes', id: sceneId }], {
        scene: project.scenes[sceneId].name,
        device: device ? device.name || project.deviceTypes[device.typeId].name : '',
      });
    });
  },
});
