import { addRuns } from '@dusky-spool/core/devices';
import { SYSTEMS } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { Button, Dropdown } from 'antd';
import { operationsOf } from '../../commands/operations-of.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';

/** One more cable for each of the devices, home to the head end of its kind: the button and the cable, two clicks. */
export function AddCable({ deviceIds }: { readonly deviceIds: readonly string[] }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const chosen = new Set(deviceIds);
  const cables = listOf(project, 'cableTypes').toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const used = new Set(listOf(project, 'runs').flatMap((run) => (chosen.has(run.deviceId) ? [run.cableTypeId] : [])));
  const items = (from: typeof cables, group: string) => from.map(({ id, name }) => ({ key: `${group}/${id}`, label: name }));
  const groups = [
    {
      key: 'here',
      label: text('device.cablesHere'),
      children: items(
        cables.filter(({ id }) => used.has(id)),
        'here',
      ),
    },
    ...SYSTEMS.map((system) => ({
      key: system,
      label: term(`systems.${system}`),
      children: items(
        cables.filter((cable) => cable.system === system),
        system,
      ),
    })),
  ].filter(({ children }) => children.length > 0);
  const add = (key: string) => {
    const cableTypeId = key.slice(key.indexOf('/') + 1);
    const title = text('device.addedCable', { cable: project.cableTypes[cableTypeId].name });
    edit(title, operationsOf(addRuns(project, deviceIds, { cableTypeId }, () => newRecordId('r'))));
  };
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: groups.map((group) => ({ ...group, type: 'group' as const })),
        onClick: ({ key }) => add(key),
        className: 'long-menu',
      }}
    >
      <Button size="small">{text('device.addCable')}</Button>
    </Dropdown>
  );
}
