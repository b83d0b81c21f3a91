import { useState } from 'react';
import { Input, InputNumber, Segmented, Select } from 'antd';
import { JURISDICTIONS, listOf, updateProject, type ProjectDocument, type ProjectHeader } from '@dusky-spool/core/project';
import { levelsFromBelow } from '@dusky-spool/core/building';
import { term, text } from '../../app/text.ts';
import { useProject } from '../../state/project.ts';
import { BeadIcon } from '../../ui/Bead.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { StagePage } from './StagePage.tsx';

/** The facts of the job, and what each room has so far. */
export function BriefStage({ document }: { readonly document: ProjectDocument }) {
  const edit = useProject((state) => state.edit);
  const { project } = document;
  const change = (after: Partial<ProjectHeader>) => {
    const operation = updateProject(project, after);
    if (operation) edit(text('edit.facts'), [operation]);
  };
  return (
    <StagePage title={text('stage.brief.title')} lead={text('stage.brief.lead')}>
      <div className="brief-facts">
        <TextField
          key={`n${project.name}`}
          label={text('stage.brief.name')}
          value={project.name}
          max={120}
          onChange={(name) => name !== '' && change({ name })}
        />
        <TextField
          key={`c${project.client}`}
          label={text('stage.brief.client')}
          value={project.client}
          max={120}
          onChange={(client) => change({ client })}
        />
        <TextField
          key={`a${project.address}`}
          label={text('stage.brief.address')}
          value={project.address}
          max={300}
          onChange={(address) => change({ address })}
        />
        <TextField
          key={`d${project.description}`}
          label={text('stage.brief.description')}
          value={project.description}
          max={2000}
          onChange={(description) => change({ description })}
        />
        <div className="field">
          <span>{text('stage.brief.units')}</span>
          <Segmented
            value={project.units}
            onChange={(units) => change({ units })}
            options={(['metric', 'imperial'] as const).map((value) => ({ value, label: term(`units.${value}`) }))}
          />
        </div>
        <label className="field">
          <span>{text('stage.brief.jurisdiction')}</span>
          <Select
            aria-label={text('stage.brief.jurisdiction')}
            value={project.jurisdiction}
            onChange={(jurisdiction) => change({ jurisdiction })}
            options={JURISDICTIONS.map((value) => ({ value, label: text(`stage.brief.regions.${value}`) }))}
          />
        </label>
        <label className="field">
          <span>{text('stage.brief.waste')}</span>
          <InputNumber
            aria-label={text('stage.brief.waste')}
            min={1}
            max={1.5}
            step={0.01}
            value={project.wasteFactor}
            onChange={(wasteFactor) => wasteFactor !== null && change({ wasteFactor })}
          />
        </label>
        <LengthField
          label={text('stage.brief.rackSlack')}
          valueM={project.rackSlackM}
          units={project.units}
          onChange={(rackSlackM) => rackSlackM !== null && change({ rackSlackM })}
        />
        <label className="field">
          <span>{text('stage.brief.ambient')}</span>
          <InputNumber
            aria-label={text('stage.brief.ambient')}
            min={-20}
            max={90}
            value={project.ambientC}
            onChange={(ambientC) => ambientC !== null && change({ ambientC })}
          />
        </label>
      </div>
      <h3 className="eyebrow">{text('stage.brief.rooms')}</h3>
      {Object.keys(document.rooms).length === 0 && <p>{text('stage.brief.noRooms')}</p>}
      {levelsFromBelow(document)
        .reverse()
        .map((level) => (
          <div key={level.id} className="brief-level">
            <h4>{level.name}</h4>
            <ul>
              {listOf(document, 'rooms')
                .filter((room) => room.levelId === level.id)
                .map((room) => {
                  const types = new Map<string, number>();
                  for (const device of Object.values(document.devices))
                    if (device.roomId === room.id) types.set(device.typeId, (types.get(device.typeId) ?? 0) + 1);
                  return (
                    <li key={room.id}>
                      <span className="id code">{room.code}</span>
                      <span className="room-name">{room.name}</span>
                      <span className="room-beads">
                        {[...types].map(([typeId, count]) => (
                          <span key={typeId} title={document.deviceTypes[typeId].name}>
                            <BeadIcon code={document.deviceTypes[typeId].code} system={document.deviceTypes[typeId].system} />
                            {count > 1 && <small>×{count}</small>}
                          </span>
                        ))}
                      </span>
                    </li>
                  );
                })}
            </ul>
          </div>
        ))}
    </StagePage>
  );
}

function TextField({
  label,
  value,
  max,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly max: number;
  readonly onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState(value);
  const commit = () => typed.trim() !== value && onChange(typed.trim());
  return (
    <label className="field">
      <span>{label}</span>
      <Input
        value={typed}
        maxLength={max}
        aria-label={label}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onPressEnter={commit}
      />
    </label>
  );
}
