import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { onLevel as recordsOn } from '@dusky-spool/core/derive';
import { levelsFromBelow } from '@dusky-spool/core/house';
import { copyLevel, levelOnTop, moveLevel, setLevelDefaults, sharedPoints, wallBuildOf } from '@dusky-spool/core/survey';
import { type Level, removeWithDependants } from '@dusky-spool/core/model';
import { levelAlignment } from '@dusky-spool/core/calculators';
import { formatLength, formatLengthFine } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { deviceIds, newRecordId, useProjectStore } from '../../state/project.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { FactField } from './FactField.tsx';
import { JoistFields } from './JoistFields.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { useState } from 'react';
import { Button, Select } from 'antd';

interface Props {
  readonly levelId: string;
  readonly onLevel: (levelId: string) => void;
}

const levelName = (n: number) => text('survey.levelName', { n });

/** The level itself: its heights, its benchmark, how it lies over the others. */
export function LevelPanel({ levelId, onLevel }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { units } = project.project;
  const level = project.levels[levelId];
  const levels = levelsFromBelow(project);
  const defaultWall = wallBuildOf(level);
  const hasDevices = recordsOn(project, 'devices', levelId).length > 0;
  const change = (after: Partial<Level>) => {
    const operations = changeRecord('levels', level, after);
    if (operations.length > 0) edit(text('survey.change', { what: level.name }), operations);
  };
  const add = () => {
    const id = newRecordId('l');
    if (edit(text('survey.addLevel'), [levelOnTop(project, { id, nameOf: levelName })])) onLevel(id);
  };
  const copy = (withDevices: boolean) => {
    const id = newRecordId('l');
    const copied = copyLevel(project, levelId, {
      ...{ id, nameOf: levelName, newId: (kind) => newRecordId(kind[0]) },
      devices: withDevices ? deviceIds : null,
    });
    if (edit(text('survey.copyLevel'), copied)) onLevel(id);
  };
  return (
    <>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{level.name}</h2>
          <p>{text('survey.levelLine', { code: level.code, elevation: formatLength(level.elevationM, units) })}</p>
        </div>
      </div>
      <div className="fields">
        <WordsField label={text('device.name')} value={level.name} max={60} required onChange={(name) => change({ name })} />
        <WordsField
          label={text('survey.code')}
          value={level.code}
          max={6}
          onChange={(code) => change({ code: code.toUpperCase() })}
        />
        <LengthField
          label={text('survey.elevationOf')}
          valueM={level.elevationM}
          units={units}
          onChange={(elevationM) => elevationM !== null && change({ elevationM })}
        />
        <FactField subject="levels" subjectId={levelId} field="ceilingHeightM" label={text('survey.ceiling')} />
        <FactField subject="levels" subjectId={levelId} field="cavityDepthM" label={text('survey.structure')} />
        <FactField subject="levels" subjectId={levelId} field="floorBuildUpM" label={text('survey.floorToCome')} />
        <FactField
          subject="levels"
          subjectId={levelId}
          field="benchmarkM"
          label={text('survey.benchmark')}
          placeholder={text('survey.none')}
          mayBeEmpty
        />
      </div>
      <p className="faint">
        {text('survey.heightNote', { sub: formatLength(level.ceilingHeightM + level.floorBuildUpM, units) })}
        {level.benchmarkM !== null &&
          ` ${text('survey.benchmarkNote', { up: formatLength(level.ceilingHeightM - level.benchmarkM, units) })}`}
      </p>
      <div className="eyebrow">{text('survey.levelDefaults')}</div>
      <p className="faint">{text('survey.levelDefaultsNote')}</p>
      <JoistFields
        of={[level.defaults]}
        onChange={(after) => edit(text('survey.levelDefaults'), setLevelDefaults(project, levelId, after))}
      />
      <p className="faint">
        {text('survey.defaultWall', {
          kind: term(`walls.${defaultWall.kind}`),
          thickness: formatLengthFine(defaultWall.thicknessM, units),
        })}
      </p>
      <Alignment levelId={levelId} />
      <div className="panel-buttons">
        <Button size="small" onClick={add}>
          {text('survey.addLevel')}
        </Button>
        <Button size="small" onClick={() => copy(false)}>
          {text('survey.copyLevel')}
        </Button>
        {hasDevices && (
          <Button size="small" onClick={() => copy(true)}>
            {text('survey.copyLevelDevices')}
          </Button>
        )}
        <Button
          size="small"
          href={`/api/projects/${useProjectStore.getState().projectId ?? ''}/documents/site-sheet.pdf?paper=${units === 'metric' ? 'A4' : 'Letter'}`}
          download
        >
          {text('survey.siteSheet')}
        </Button>
        {levels.length > 1 && !hasDevices && (
          <Button
            size="small"
            danger
            onClick={() => {
              const other = levels.find(({ id }) => id !== levelId)!;
              if (edit(text('edit.remove'), removeWithDependants(project, 'levels', levelId))) onLevel(other.id);
            }}
          >
            {text('survey.removeLevel')}
          </Button>
        )}
      </div>
      <p className="faint">{text('survey.drawHint')}</p>
      <p className="faint">{text('aid')}</p>
    </>
  );
}

/** How this level lies over another by the points that both show, and the residual. */
function Alignment({ levelId }: { readonly levelId: string }) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { units } = project.project;
  const others = levelsFromBelow(project).filter(({ id }) => id !== levelId && sharedPoints(project, id, levelId).length > 0);
  const [chosen, setChosen] = useState<string | null>(null);
  const stays = others.find(({ id }) => id === chosen) ?? others[0];
  if (!stays) return <p className="faint">{text('survey.alignHint')}</p>;
  const found = levelAlignment({ points: sharedPoints(project, stays.id, levelId) });
  return (
    <section className="alignment">
      <div className="eyebrow">{text('survey.align')}</div>
      <Select
        size="small"
        value={stays.id}
        aria-label={text('survey.align')}
        options={others.map(({ id, name }) => ({ value: id, label: text('survey.over', { name }) }))}
        onChange={setChosen}
      />
      {found.ok ? (
        <>
          <dl className="figures">
            <dt>{text('survey.offBy')}</dt>
            <dd>{formatLength(Math.hypot(found.value.dx, found.value.dy), units)}</dd>
            <dt>{text('survey.turnedBy')}</dt>
            <dd>{((found.value.turnRad * 180) / Math.PI).toFixed(2)}°</dd>
            {found.value.residuals.map(({ name, residualM }) => [
              <dt key={`${name}t`}>{name}</dt>,
              <dd key={`${name}d`}>{text('survey.residual', { length: formatLength(residualM, units) })}</dd>,
            ])}
          </dl>
          <Button
            size="small"
            type="primary"
            onClick={() => edit(text('survey.align'), moveLevel(project, levelId, found.value))}
          >
            {text('survey.alignNow')}
          </Button>
        </>
      ) : (
        <p className="caution">{text('survey.pointsTogether')}</p>
      )}
    </section>
  );
}
