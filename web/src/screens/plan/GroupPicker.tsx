import { makeGroup } from '../../commands/make-group.ts';
import { toggleGroup } from '../../commands/toggle-group.ts';
import { useProject } from '../../state/open-project.ts';
import { GROUP_KINDS, type GroupKind } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { useState } from 'react';
import { Button, Input, Select } from 'antd';
import css from './plan.module.css';

interface Props {
  readonly deviceIds: readonly string[];
  readonly onSelect: (selection: Selection) => void;
}

/** The zones and groups that devices belong to: put into one, taken out, or made anew. */
export function GroupPicker({ deviceIds, onSelect }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [kind, setKind] = useState<GroupKind>('audio');
  const [name, setName] = useState('');
  const groups = listOf(project, 'groups').toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const members = listOf(project, 'groupMembers').filter(({ deviceId }) => deviceIds.includes(deviceId));
  const newId = () => newRecordId('gm');
  const toggle = (groupId: string) => edit(text('group.change'), toggleGroup(project, { groupId, deviceIds, newId }));
  const make = () => {
    const group = { id: newRecordId('gr'), kind, name: name.trim() };
    if (edit(text('group.make'), makeGroup(group, { deviceIds, newId }))) setName('');
  };
  return (
    <div className="group-picker">
      <div className="eyebrow">{text('group.title')}</div>
      <div className="group-chips">
        {groups.map((group) => {
          const count = members.filter((member) => member.groupId === group.id).length;
          return (
            <button
              key={group.id}
              type="button"
              className={`plain group-chip${count > 0 ? ' in' : ''}`}
              aria-pressed={count === deviceIds.length}
              onClick={() => toggle(group.id)}
            >
              {group.name} <span className="faint">{term(`groupKinds.${group.kind}`)}</span>
            </button>
          );
        })}
      </div>
      {members.length > 0 && (
        <Button
          size="small"
          onClick={() => {
            const own = new Set(members.map(({ groupId }) => groupId));
            const ids = listOf(project, 'groupMembers').flatMap(({ groupId, deviceId }) => (own.has(groupId) ? [deviceId] : []));
            onSelect({ kind: 'device', ids: [...new Set(ids)] });
          }}
        >
          {text('group.show')}
        </Button>
      )}
      <div className={css.groupNew}>
        <Select
          size="small"
          value={kind}
          aria-label={text('group.kind')}
          options={GROUP_KINDS.map((value) => ({ value, label: term(`groupKinds.${value}`) }))}
          onChange={setKind}
        />
        <Input
          size="small"
          value={name}
          maxLength={60}
          placeholder={text('group.name')}
          aria-label={text('group.name')}
          onChange={(event) => setName(event.target.value)}
          onPressEnter={() => name.trim() !== '' && make()}
          onKeyDown={(event) => event.stopPropagation()}
        />
        <Button size="small" disabled={name.trim() === ''} onClick={make}>
          {text('group.add')}
        </Button>
      </div>
    </div>
  );
}
