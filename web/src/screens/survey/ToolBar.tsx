import { useState } from 'react';
import { Checkbox, Input, Popover, Segmented } from 'antd';
import { FEATURE_GROUPS, FEATURE_MAKES, type FeatureGroup } from '@dusky-spool/core/house';
import { wallBuildOf } from '@dusky-spool/core/survey';
import { OPENING_KINDS, WALL_KINDS, type WallKind } from '@dusky-spool/core/model';
import { term, termNamed, text, textNamed } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { featureTool, MEASURE, openingTool, SELECT, type SurveyTool, wallsTool } from '../../canvas/tools/survey-tool.ts';
import { useSurveyView } from './useSurveyView.ts';
import css from './survey.module.css';

interface Props {
  readonly levelId: string;
  readonly tool: SurveyTool;
  readonly onTool: (tool: SurveyTool) => void;
}

/** What is drawn, with its key; the chosen tool shows its kinds below it. */
export function ToolBar({ levelId, tool, onTool }: Props) {
  const project = useProject();
  const level = project.levels[levelId];
  const [wallKind, setWallKind] = useState<WallKind>();
  const { units } = project.project;
  const [find, setFind] = useState('');
  const [group, setGroup] = useState<FeatureGroup>('obstacle');
  const rows: { key: string; letter: string; on: boolean; pick: () => void }[] = [
    { key: 'select', letter: 'V', on: tool.kind === 'select', pick: () => onTool(SELECT) },
    { key: 'walls', letter: 'W', on: tool.kind === 'walls', pick: () => onTool(wallsTool(wallBuildOf(level, wallKind))) },
    { key: 'opening', letter: 'O', on: tool.kind === 'opening', pick: () => onTool(openingTool('door')) },
    {
      key: 'thing',
      letter: 'T',
      on: tool.kind === 'feature' || tool.kind === 'rack' || tool.kind === 'riser',
      pick: () => onTool(featureTool(FEATURE_MAKES[0])),
    },
    { key: 'measure', letter: 'M', on: tool.kind === 'measure', pick: () => onTool(MEASURE) },
    { key: 'reference', letter: 'P', on: tool.kind === 'reference', pick: () => onTool({ kind: 'reference' }) },
  ];
  /** Whether something of a group is listed: all of the chosen group, or what has the words in its name. */
  const isFound = (name: string, of: FeatureGroup) =>
    find === '' ? of === group : name.toLowerCase().includes(find.trim().toLowerCase());
  const things = FEATURE_MAKES.filter((make) => isFound(term(`features.${make.kind}`), make.group));
  const placing = tool.kind === 'feature' || tool.kind === 'rack' || tool.kind === 'riser';
  return (
    <div className="palette tool-bar" role="group" aria-label={text('plan.tools')}>
      <div className="tool-rows">
        {rows.map(({ key, letter, on, pick }) => (
          <button
            key={key}
            type="button"
            className={on ? 'plain tool-row on' : 'plain tool-row'}
            aria-pressed={on}
            onClick={pick}
          >
            <ToolMark name={key} />
            <span>{textNamed('tools', key)}</span>
            <kbd>{letter}</kbd>
          </button>
        ))}
      </div>
      {tool.kind === 'walls' && (
        <div className="tool-kinds" role="radiogroup" aria-label={text('survey.wallKind')}>
          {WALL_KINDS.map((kind) => (
            <button
              key={kind}
              type="button"
              role="radio"
              aria-checked={tool.make.kind === kind}
              className={tool.make.kind === kind ? 'plain tool-kind on' : 'plain tool-kind'}
              onClick={() => {
                setWallKind(kind);
                onTool({ ...tool, make: wallBuildOf(level, kind) });
              }}
            >
              {term(`walls.${kind}`)}
            </button>
          ))}
        </div>
      )}
      {tool.kind === 'walls' && (
        <LengthField
          label={text('survey.thickness')}
          valueM={tool.make.thicknessM}
          units={units}
          onChange={(thicknessM) => thicknessM && onTool({ ...tool, make: { ...tool.make, thicknessM } })}
        />
      )}
      {tool.kind === 'opening' && (
        <Segmented
          size="small"
          block
          value={tool.opening}
          options={OPENING_KINDS.map((value) => ({ value, label: term(`openings.${value}`) }))}
          onChange={(opening) => onTool(openingTool(opening))}
        />
      )}
      {placing && (
        <div className="tool-things">
          <Input
            size="small"
            value={find}
            placeholder={text('survey.findThing')}
            aria-label={text('survey.findThing')}
            onChange={(event) => setFind(event.target.value)}
            onKeyDown={(event) => event.stopPropagation()}
          />
          {find === '' && (
            <div className="group-chips" role="radiogroup" aria-label={text('survey.groups')}>
              {FEATURE_GROUPS.map((one) => (
                <button
                  key={one}
                  type="button"
                  role="radio"
                  aria-checked={group === one}
                  className={group === one ? 'plain group-chip on' : 'plain group-chip'}
                  onClick={() => setGroup(one)}
                >
                  {term(`groups.${one}`)}
                </button>
              ))}
            </div>
          )}
          <ul>
            {(['riser', 'rack'] as const).map(
              (kind) =>
                isFound(text(`survey.${kind}`), 'way') && (
                  <ThingRow key={kind} name={text(`survey.${kind}`)} on={tool.kind === kind} onPick={() => onTool({ kind })} />
                ),
            )}
            {things.map((make) => (
              <ThingRow
                key={make.kind}
                name={term(`features.${make.kind}`)}
                on={tool.kind === 'feature' && tool.make.kind === make.kind}
                onPick={() => onTool(featureTool(make))}
              />
            ))}
          </ul>
        </div>
      )}
      <ViewMenu />
    </div>
  );
}

const ThingRow = ({ name, on, onPick }: { readonly name: string; readonly on: boolean; readonly onPick: () => void }) => (
  <li>
    <button type="button" className={on ? `plain ${css.thing} on` : `plain ${css.thing}`} aria-pressed={on} onClick={onPick}>
      {name}
    </button>
  </li>
);

/** What is shown and what is held fast, by kind; and the grid. */
function ViewMenu() {
  const { hidden, locked, gridM, toggleHidden, toggleLocked, setGrid } = useSurveyView();
  const kinds: [string, readonly string[]][] = [
    ['walls', ['wall']],
    ...FEATURE_GROUPS.map((group): [string, readonly string[]] => [
      group,
      FEATURE_MAKES.filter((make) => make.group === group).map(({ kind }) => kind),
    ]),
  ];
  const all = (set: ReadonlySet<string>, list: readonly string[]) => list.every((kind) => set.has(kind));
  const content = (
    <div className={css.viewMenu}>
      <table>
        <thead>
          <tr>
            <td />
            <th>{text('survey.shown')}</th>
            <th>{text('survey.lockedHead')}</th>
          </tr>
        </thead>
        <tbody>
          {kinds.map(([name, list]) => (
            <tr key={name}>
              <th scope="row">{termNamed('groups', name)}</th>
              <td>
                {name !== 'walls' && (
                  <Checkbox
                    aria-label={`${termNamed('groups', name)} ${text('survey.shown')}`}
                    checked={!all(hidden, list)}
                    onChange={() => toggleHidden(list)}
                  />
                )}
              </td>
              <td>
                <Checkbox
                  aria-label={`${termNamed('groups', name)} ${text('survey.lockedHead')}`}
                  checked={all(locked, list)}
                  onChange={() => toggleLocked(list)}
                />
              </td>
            </tr>
          ))}
          {['underlay', 'labels'].map((kind) => (
            <tr key={kind}>
              <th scope="row">{termNamed('groups', kind)}</th>
              <td>
                <Checkbox
                  aria-label={`${termNamed('groups', kind)} ${text('survey.shown')}`}
                  checked={!hidden.has(kind)}
                  onChange={() => toggleHidden([kind])}
                />
              </td>
              <td />
            </tr>
          ))}
        </tbody>
      </table>
      <div className="eyebrow">{text('survey.grid')}</div>
      <Segmented
        size="small"
        value={gridM}
        options={[
          { value: 0, label: text('survey.none') },
          { value: 0.01, label: '1 cm' },
          { value: 0.05, label: '5 cm' },
          { value: 0.1, label: '10 cm' },
          { value: 0.0127, label: '1/2"' },
          { value: 0.1524, label: '6"' },
        ]}
        onChange={setGrid}
      />
    </div>
  );
  return (
    <Popover content={content} trigger="click" placement="rightBottom">
      <button type="button" className={`plain ${css.viewButton}`}>
        {text('survey.view')}
        {hidden.size + locked.size > 0 && (
          <span className="chip">{text('survey.viewCount', { count: hidden.size + locked.size })}</span>
        )}
      </button>
    </Popover>
  );
}

const MARKS: Readonly<Record<string, string>> = {
  select: 'M4 2 4 13 7 10 9 14 11 13 9 9 13 9Z',
  walls: 'M2 3H14M2 6.5H10.500V14M14 3V14M10.500 14H14',
  opening: 'M2 13H5M11 13H14M5 13V4A9 9 0 0 1 11 13',
  thing: 'M3 5 8 2.500 13 5V11L8 13.500 3 11ZM3 5 8 7.500 13 5M8 7.500V13.500',
  measure: 'M2 8H14M2 5V11M14 5V11M5 8V6.500M8 8V6.500M11 8V6.500',
  reference: 'M8 2V14M2 8H14M8 5A3 3 0 1 1 8 11 3 3 0 0 1 8 5',
};
const ToolMark = ({ name }: { readonly name: string }) => (
  <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden="true">
    <path d={MARKS[name]} fill="none" stroke="currentColor" strokeWidth={1.4} strokeLinejoin="round" />
  </svg>
);
