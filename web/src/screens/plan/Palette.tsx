import { useProject } from '../../state/open-project.ts';
import { attachmentOf } from '@dusky-spool/core/house';
import { placeIdOf, placeOf, wantedDevices } from '@dusky-spool/core/brief';
import { OVERLAPS } from '@dusky-spool/core/calculators';
import { ROOM_TEMPLATES } from '@dusky-spool/core/devices';
import { type BriefCell, type SystemName, SYSTEMS } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { term, text } from '../../ground/text.ts';
import type { PlacedAs, Tool } from '../../canvas/tools/plan-tool.ts';
import { useAfterFirstPaint } from '../../state/useAfterFirstPaint.ts';
import { BeadIcon } from '../../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { memo, useMemo, useState } from 'react';
import { Input } from 'antd';
import css from './plan.module.css';

interface Props {
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  readonly onLibrary: () => void;
  readonly onPlates: () => void;
}

const SELECT: Tool = { kind: 'select' };
/** So many that the brief asks for are listed before somebody searches. */
const MOST_WANTED = 6;
const SHAFT_MARKS = {
  rack: 'M4 3h14v16h-14zM6.500 7h9M6.500 10h9M6.500 13h9',
  riser: 'M4 4h14v14h-14zM4 4l14 14M18 4l-14 14',
} as const;

/** What is prepared, or comes later, gets its cables now and its device later. */
const placedAs = ({ answer, phaseId, areaId }: BriefCell): PlacedAs => ({
  fitting: answer === 'wanted' ? 'fitted' : 'prepared',
  phaseId,
  areaId,
});

/** Device types by system; choosing one arms the pointer. What goes into a ceiling may be laid out as an even field. */
export const Palette = memo(function Palette({ tool, onTool, onLibrary, onPlates }: Props) {
  const project = useProject();
  const [find, setFind] = useState('');
  const [only, setOnly] = useState<SystemName | null>(null);
  const findDue = useAfterFirstPaint();
  const groups = useMemo(() => {
    const words = find.trim().toLowerCase();
    const types = listOf(project, 'deviceTypes').filter(
      (type) => type.part === 'device' && `${type.code} ${type.name}`.toLowerCase().includes(words),
    );
    return SYSTEMS.map((system) => ({
      system,
      types: types
        .filter((type) => type.system === system && (only === null || only === system))
        .sort((a, b) => (a.name < b.name ? -1 : 1)),
    })).filter((group) => group.types.length > 0);
  }, [project, find, only]);
  const words = find.trim().toLowerCase();
  const wanted = useMemo(
    () =>
      wantedDevices(project)
        .map((one) => ({
          ...one,
          type: project.deviceTypes[one.typeId],
          place: placeOf(project, placeIdOf(one.cell))?.name ?? '',
        }))
        .filter(({ type, place }) => `${type.name} ${place}`.toLowerCase().includes(words))
        .slice(0, words === '' ? MOST_WANTED : undefined),
    [project, words],
  );
  const shafts = (['rack', 'riser'] as const).filter((kind) => text(`survey.${kind}`).toLowerCase().includes(words));
  const templates = [...ROOM_TEMPLATES, ...listOf(project, 'roomTemplates')];
  const armed = tool.kind === 'place' ? tool.type : null;
  const spreads = armed !== null && attachmentOf(armed) === 'ceiling' && armed.coverageRad !== null && armed.system === 'sound';
  const field = tool.kind === 'place' ? tool.field : undefined;
  return (
    <div className="palette" role="group" aria-label={text('plan.palette')}>
      <div className={css.paletteHead}>
        <span className="eyebrow">{text('plan.paletteShort')}</span>
        <span className="grow" />
        <button type="button" className="plain link" onClick={onPlates}>
          {text('plates.short')}
        </button>
        <button type="button" className="plain link" onClick={onLibrary}>
          {text('library.short')}
        </button>
      </div>
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
        <span className={css.findSoon} />
      )}
      <div className={css.paletteSystems} role="group" aria-label={text('plan.paletteSystems')}>
        {SYSTEMS.map((system) => (
          <button
            key={system}
            type="button"
            className="plain"
            aria-pressed={only === system}
            aria-label={text('plan.only', { system: term(`systems.${system}`) })}
            title={term(`systems.${system}`)}
            onClick={() => setOnly(only === system ? null : system)}
          >
            <svg width={16} height={10} aria-hidden="true">
              <path
                d="M0 5H16"
                stroke={SYSTEM_STYLE[system].colour}
                strokeWidth={4}
                strokeDasharray={SYSTEM_STYLE[system].dash}
              />
            </svg>
          </button>
        ))}
      </div>
      {spreads && armed && (
        <div className={css.fieldChoice}>
          <button type="button" className="plain" aria-pressed={!field} onClick={() => onTool({ kind: 'place', type: armed })}>
            {text('plan.one')}
          </button>
          {OVERLAPS.map((overlap) => (
            <button
              key={overlap}
              type="button"
              className="plain"
              aria-pressed={field?.overlap === overlap}
              onClick={() => onTool({ kind: 'place', type: armed, field: { overlap, ear: field?.ear ?? 'seated' } })}
            >
              {text(`plan.overlaps.${overlap}`)}
            </button>
          ))}
          {field && (
            <button
              type="button"
              className={`plain ${css.ear}`}
              onClick={() =>
                onTool({ kind: 'place', type: armed, field: { ...field, ear: field.ear === 'seated' ? 'standing' : 'seated' } })
              }
            >
              {text(`plan.ears.${field.ear}`)}
            </button>
          )}
        </div>
      )}
      <div className={css.paletteList}>
        {only === null && wanted.length > 0 && (
          <div>
            <h2>{text('plan.fromBrief')}</h2>
            {wanted.map(({ cell, type, missing, place }) => (
              <button
                key={`${cell.id}${type.id}`}
                type="button"
                className={`plain ${css.paletteItem}${armed?.id === type.id ? ' armed' : ''}`}
                aria-pressed={armed?.id === type.id}
                onClick={() => onTool(armed?.id === type.id ? SELECT : { kind: 'place', type, as: placedAs(cell) })}
              >
                <BeadIcon code={type.code} system={type.system} />
                <span>
                  {missing} × {type.name}
                  <br />
                  <span className="faint">{place}</span>
                </span>
              </button>
            ))}
          </div>
        )}
        {only === null && shafts.length > 0 && (
          <div>
            <h2>{text('plan.headEnds')}</h2>
            {shafts.map((kind) => (
              <button
                key={kind}
                type="button"
                className={`plain ${css.paletteItem}${tool.kind === kind ? ' armed' : ''}`}
                aria-pressed={tool.kind === kind}
                onClick={() => onTool(tool.kind === kind ? SELECT : { kind })}
              >
                <svg width={22} height={22} viewBox="0 0 22 22" aria-hidden="true" className={css.shaftMark}>
                  <path d={SHAFT_MARKS[kind]} />
                </svg>
                <span>{text(`survey.${kind}`)}</span>
              </button>
            ))}
          </div>
        )}
        {groups.map(({ system, types }) => (
          <div key={system}>
            <h2>{term(`systems.${system}`)}</h2>
            {types.map((type) => (
              <button
                key={type.id}
                type="button"
                className={armed?.id === type.id ? `plain ${css.paletteItem} armed` : `plain ${css.paletteItem}`}
                aria-pressed={armed?.id === type.id}
                onClick={() => onTool(armed?.id === type.id ? SELECT : { kind: 'place', type })}
              >
                <BeadIcon code={type.code} system={type.system} />
                <span>{type.name}</span>
              </button>
            ))}
          </div>
        ))}
        {only === null && (
          <div>
            <h2>{text('plan.templates')}</h2>
            {templates
              .filter(({ name }) => name.toLowerCase().includes(find.trim().toLowerCase()))
              .map((template) => (
                <button
                  key={template.id}
                  type="button"
                  className={`plain ${css.paletteItem}${tool.kind === 'template' && tool.template.id === template.id ? ' armed' : ''}`}
                  aria-pressed={tool.kind === 'template' && tool.template.id === template.id}
                  onClick={() =>
                    onTool(tool.kind === 'template' && tool.template.id === template.id ? SELECT : { kind: 'template', template })
                  }
                >
                  <span className={css.templateCount}>{template.devices.length}</span>
                  <span>{template.name}</span>
                </button>
              ))}
          </div>
        )}
      </div>
    </div>
  );
});
