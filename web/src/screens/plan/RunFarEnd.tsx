import { deviceNumber, deviceTitle, redirectRun, targetDevices } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import type { Run } from '@dusky-spool/core/model';
import { Select } from 'antd';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';

/** Where a drafted run ends: at a head end, or at another device of any level. */
export function RunFarEnd({ run }: { readonly run: Run }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const racks = listOf(project, 'racks');
  const devices = targetDevices(project, run).map((device) => {
    const type = project.deviceTypes[device.typeId];
    const room = device.roomId === null ? term('outdoors') : project.rooms[device.roomId].name;
    return {
      value: `device/${device.id}`,
      label: `${deviceTitle(device, type)} ${deviceNumber(project, device)}, ${room}, ${project.levels[device.levelId].name}`,
    };
  });
  const take = (value: string) => {
    const [kind, id] = value.split('/');
    edit(
      text('run.redirect', { number: run.number }),
      redirectRun(project, run.id, kind === 'rack' ? { rackId: id } : { deviceId: id }),
    );
  };
  return (
    <label className="field">
      <span>{text('run.farEnd')}</span>
      <Select
        value={run.toDeviceId === null ? `rack/${run.rackId}` : `device/${run.toDeviceId}`}
        aria-label={text('run.farEnd')}
        showSearch={{ optionFilterProp: 'label' }}
        popupMatchSelectWidth={false}
        onChange={take}
        options={[
          { label: text('run.headEnds'), options: racks.map(({ id, name }) => ({ value: `rack/${id}`, label: name })) },
          { label: text('run.devices'), options: devices },
        ]}
      />
    </label>
  );
}
