import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { formatArea, type Point2, polygonArea } from '@dusky-spool/core/math';
import { CEILING_KINDS, removeWithDependants, type Room } from '@dusky-spool/core/model';
import { levelAreas, sameOutline } from '@dusky-spool/core/house';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { FactField } from './FactField.tsx';
import { JoistFields } from './JoistFields.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { useMemo } from 'react';
import { Button } from 'antd';

interface Props {
  readonly room: Room;
  readonly onCeiling: (roomId: string) => void;
  readonly onRemoved: () => void;
}

const DEGREES = 180 / Math.PI;

/** One room: its name and use, its heights, what is above its ceiling. */
export function RoomPanel({ room, onCeiling, onRemoved }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { units } = project.project;
  const level = project.levels[room.levelId];
  const netM2 = useMemo(
    () =>
      levelAreas(project, room.levelId).rooms.find(({ polygon }) =>
        sameOutline(
          polygon.map(([x, y]) => [x, y]),
          room.polygon,
        ),
      )?.netM2,
    // Only walls and the outline matter.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [project.walls, room.polygon, room.levelId],
  );
  const change = (after: Partial<Room>) => {
    const operations = changeRecord('rooms', room, after);
    if (operations.length > 0) edit(text('survey.changeRoom', { name: room.name }), operations);
  };
  const sloped = room.ceilingKind === 'sloped' || room.ceilingKind === 'vaulted';
  const slope = room.slope ?? { lowM: 2.2, highM: room.ceilingHeightM ?? level.ceilingHeightM, angleRad: 0 };
  return (
    <>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{room.name}</h2>
          <p>
            {room.code} · {formatArea(netM2 ?? Math.abs(polygonArea(room.polygon as Point2[])), units)}{' '}
            {text(netM2 === undefined ? 'survey.onCentreLines' : 'survey.net')}
          </p>
        </div>
      </div>
      {netM2 === undefined && <p className="caution">{text('survey.roomOpen')}</p>}
      <div className="fields">
        <WordsField label={text('device.name')} value={room.name} max={60} required onChange={(name) => change({ name })} />
        <WordsField
          label={text('plan.roomCode')}
          value={room.code}
          max={6}
          onChange={(code) => change({ code: code.toUpperCase() })}
        />
        <WordsField label={text('survey.use')} value={room.use} max={40} onChange={(use) => change({ use })} />
        <LengthField
          label={text('survey.floor')}
          valueM={room.floorM}
          units={units}
          onChange={(floorM) => floorM !== null && change({ floorM })}
        />
        <ChoiceField
          label={text('survey.ceilingKind')}
          value={room.ceilingKind}
          options={CEILING_KINDS.map((value) => ({ value, label: term(`ceilings.${value}`) }))}
          onChange={(ceilingKind) =>
            change({ ceilingKind, slope: ceilingKind === 'sloped' || ceilingKind === 'vaulted' ? slope : null })
          }
        />
        <FactField
          subject="rooms"
          subjectId={room.id}
          field="ceilingHeightM"
          label={text('survey.ceiling')}
          placeholder={text('survey.asLevel')}
          mayBeEmpty
        />
        {sloped && (
          <>
            <LengthField
              label={text('survey.lowSide')}
              valueM={slope.lowM}
              units={units}
              onChange={(lowM) => lowM && change({ slope: { ...slope, lowM } })}
            />
            <LengthField
              label={text('survey.highSide')}
              valueM={slope.highM}
              units={units}
              onChange={(highM) => highM && change({ slope: { ...slope, highM } })}
            />
            <NumberField
              label={text('survey.uphill')}
              value={Math.round(slope.angleRad * DEGREES)}
              min={-360}
              max={360}
              onChange={(degrees) => change({ slope: { ...slope, angleRad: degrees / DEGREES } })}
            />
          </>
        )}
      </div>
      <div className="eyebrow">{text('survey.above')}</div>
      <JoistFields of={[room]} facts={room.id} onChange={change} />
      <div className="panel-buttons">
        <Button size="small" type="primary" onClick={() => onCeiling(room.id)}>
          {text('survey.ceilingView')}
        </Button>
        <Button
          size="small"
          danger
          onClick={() => {
            if (edit(text('edit.remove'), removeWithDependants(project, 'rooms', room.id))) onRemoved();
          }}
        >
          {text('survey.removeRoom')}
        </Button>
      </div>
    </>
  );
}
