import { exchangeType } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import { App as AntApp } from 'antd';
import { operationsOf } from '../../commands/operations-of.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { commonValue } from '../../ui/common.ts';

/** The type of one or several devices: exchanged in place, with what that does to their runs said. */
export function TypeField({ deviceIds }: { readonly deviceIds: readonly string[] }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { message } = AntApp.useApp();
  const devices = deviceIds.flatMap((id) => project.devices[id] ?? []);
  const types = listOf(project, 'deviceTypes')
    .filter(({ part }) => part === 'device')
    .toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const exchange = (typeId: string) => {
    const outcome = exchangeType(project, deviceIds, typeId, () => newRecordId('r'));
    const title = text('device.exchanged', { name: project.deviceTypes[typeId].name });
    if (!edit(title, operationsOf(outcome)) || !outcome.ok) return;
    const { added, removed, kept } = outcome.value;
    void message.info(
      `${title}. ${text('device.exchangedRuns', { added: added.length, removed: removed.length, kept: kept.length })}`,
    );
  };
  return (
    <ChoiceField
      label={text('device.type')}
      value={commonValue(devices, 'typeId')}
      options={types.map(({ id, name }) => ({ value: id, label: name }))}
      onChange={exchange}
    />
  );
}
