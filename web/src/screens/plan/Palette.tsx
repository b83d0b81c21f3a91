import { useMemo, useState } from 'react';
import { Input } from 'antd';
import { listOf, SYSTEMS, type DeviceType, type ProjectDocument } from '@dusky-spool/core/project';
import { term, text } from '../../app/text.ts';
import { useAfterFirstPaint } from '../../state/useAfterFirstPaint.ts';
import { BeadIcon } from '../../ui/Bead.tsx';

interface Props {
  readonly document: ProjectDocument;
  readonly placing: DeviceType | null;
  readonly onPlace: (type: DeviceType | null) => void;
}

/** Device types by system; choosing one arms the pointer. */
export function Palette({ document, placing, onPlace }: Props) {
  const [find, setFind] = useState('');
  const findDue = useAfterFirstPaint();
  const groups = useMemo(() => {
    const words = find.trim().toLowerCase();
    const types = listOf(document, 'deviceTypes').filter((type) => `${type.code} ${type.name}`.toLowerCase().includes(words));
    return SYSTEMS.map((system) => ({ system, types: types.filter((type) => type.system === system) })).filter(
      (group) => group.types.length > 0,
    );
  }, [document, find]);
  return (
    <div className="palette" role="group" aria-label={text('plan.palette')}>
      <div className="eyebrow">{text('plan.palette')}</div>
      {findDue ? (
        <Input
          size="small"
          allowClear
          value={find}
          placeholder={text('plan.paletteFind')}
          aria-label={text('plan.paletteFind')}
          onChange={(event) => setFind(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') event.stopPropagation();
          }}
        />
      ) : (
        <span className="find-soon" />
      )}
      <div className="palette-list">
        {groups.map(({ system, types }) => (
          <div key={system}>
            <h3>{term(`systems.${system}`)}</h3>
            {types.map((type) => (
              <button
                key={type.id}
                type="button"
                className={placing?.id === type.id ? 'plain palette-item armed' : 'plain palette-item'}
                aria-pressed={placing?.id === type.id}
                onClick={() => onPlace(placing?.id === type.id ? null : type)}
              >
                <BeadIcon code={type.code} system={type.system} />
                <span>{type.name}</span>
              </button>
            ))}
          </div>
        ))}
      </div>
    </div>
  );
}
