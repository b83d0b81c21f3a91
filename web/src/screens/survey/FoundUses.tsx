import { addRuns, deviceTitle } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import { type Feature, isConduit } from '@dusky-spool/core/model';
import { operationsOf } from '../../commands/operations-of.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { useState } from 'react';
import { Button } from 'antd';

/** What of the plan uses an existing thing; existing cable can be made a run of a device here. */
export function FoundUses({ feature }: { readonly feature: Feature }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [cableTypeId, setCable] = useState('');
  const [deviceId, setDevice] = useState('');
  const titleOf = (id: string) => deviceTitle(project.devices[id], project.deviceTypes[project.devices[id].typeId]);
  const users = [
    ...listOf(project, 'runs').flatMap((run) => (run.foundId === feature.id ? [`${run.number} · ${titleOf(run.deviceId)}`] : [])),
    ...listOf(project, 'devices').flatMap((device) => (device.foundId === feature.id ? [titleOf(device.id)] : [])),
  ];
  const isReady = cableTypeId !== '' && deviceId !== '';
  return (
    <>
      {users.length > 0 && (
        <>
          <div className="eyebrow">{text('survey.usedBy')}</div>
          <ul>
            {users.map((user) => (
              <li key={user}>{user}</li>
            ))}
          </ul>
        </>
      )}
      {feature.kind === 'existing-wiring' && (
        <>
          <div className="eyebrow">{text('survey.reuseFor')}</div>
          <div className="fields">
            <ChoiceField
              label={text('survey.foundCable')}
              value={cableTypeId}
              options={[
                { value: '', label: text('survey.chooseOne') },
                ...listOf(project, 'cableTypes').flatMap((cable) =>
                  isConduit(cable) ? [] : [{ value: cable.id, label: cable.name }],
                ),
              ]}
              onChange={setCable}
            />
            <ChoiceField
              label={text('survey.forDevice')}
              value={deviceId}
              options={[
                { value: '', label: text('survey.chooseOne') },
                ...listOf(project, 'devices').map(({ id }) => ({ value: id, label: titleOf(id) })),
              ]}
              onChange={setDevice}
            />
          </div>
          <Button
            size="small"
            disabled={!isReady}
            onClick={() => {
              const reason = (feature.name || feature.contents).slice(0, 200);
              const added = addRuns(project, [deviceId], { cableTypeId, foundId: feature.id, reason }, () => newRecordId('r'));
              if (edit(text('survey.reuseFor'), operationsOf(added))) setDevice('');
            }}
          >
            {text('survey.makeRun')}
          </Button>
        </>
      )}
    </>
  );
}
