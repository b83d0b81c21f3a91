import type { DeviceType, ProjectDocument, Run } from '../model/index.ts';
import { RUNS_OF_DEVICE } from '../runs/index.ts';
import { defineCheck, say } from './check.ts';

/** Families of cable that carry commands. */
const CARRIES = /^(?:ctl|cat|shade|sec|fibre)/;
const CONTROLS = /control|bus|trigger|infrared|serial|command|contact|data|network/i;

/** What is controlled by cable has a cable that carries commands (practice A53): a shade, a lift, an opener, a strip with colours. */
export const controlPaths = defineCheck({
  id: 'control-paths',
  title: 'Every controlled device has a path for its commands',
  source: 'Trade practice',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes'],
  beside: [RUNS_OF_DEVICE],
  ofDevice: (device, { project, read }) => {
    const type = project.deviceTypes[device.typeId];
    if (device.fitting === 'spare' || !isControlled(project, type)) return [];
    if (read.one(RUNS_OF_DEVICE, device.id)!.some((run) => carries(project, run))) return [];
    return [
      say('look', 'control-missing', [{ in: 'devices', id: device.id }], {
        number: '',
        device: device.name || type.name,
        cables: type.cables.filter((leg) => isCommandLeg(project, leg)).map(({ purpose }) => purpose),
      }),
    ];
  },
});

type CableLeg = DeviceType['cables'][number];

const isCommandLeg = ({ cableTypes }: ProjectDocument, { cableTypeId, purpose, optional }: CableLeg): boolean =>
  !optional &&
  CARRIES.test(cableTypes[cableTypeId]?.family ?? '') &&
  (CONTROLS.test(purpose) || cableTypes[cableTypeId]?.family !== 'cat');

/** Whether a device is one that moves, switches or dims, and takes its commands over a cable by its recipe. */
const isControlled = (project: ProjectDocument, type: DeviceType): boolean =>
  type.link === 'cable' &&
  (type.system === 'shade' || type.system === 'light' || type.system === 'control') &&
  type.cables.some((leg) => isCommandLeg(project, leg));

const carries = ({ cableTypes }: ProjectDocument, { cableTypeId }: Run): boolean => CARRIES.test(cableTypes[cableTypeId].family);
