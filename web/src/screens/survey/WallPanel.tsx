import { changeRecords } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { distance2, formatLengthFine, type Point2 } from '@dusky-spool/core/math';
import { sameValue, STUD_MATERIALS, type Wall, WALL_KINDS } from '@dusky-spool/core/model';
import { mountingDepth, studsOf } from '@dusky-spool/core/house';
import { buildOf, isDefaultBuild, placeWall, setLevelDefaults, splitWall, WALL_BUILDS } from '@dusky-spool/core/survey';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { newSurveyId } from './ids.ts';
import { FactField } from './FactField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { Button } from 'antd';

interface Props {
  readonly walls: readonly Wall[];
  readonly onElevation: (wallId: string) => void;
}

const commonBuild = (walls: readonly Wall[]) => walls.every((one) => sameValue(buildOf(one), buildOf(walls[0])));

/** One wall, or what several have in common: how it is made, where it stands, whether cable may run in it. */
export function WallPanel({ walls, onElevation }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [wall] = walls;
  const single = walls.length === 1;
  const { units } = project.project;
  const lengthM = walls.reduce((sum, { a, b }) => sum + distance2(a, b), 0);
  const change = (after: Partial<Wall>) => edit(text('survey.changeWall'), changeRecords('walls', walls, after));
  const along = (length: number): Point2 => {
    const now = distance2(wall.a, wall.b);
    return [wall.a[0] + ((wall.b[0] - wall.a[0]) * length) / now, wall.a[1] + ((wall.b[1] - wall.a[1]) * length) / now];
  };
  const angleDeg = Math.round(((Math.atan2(wall.b[1] - wall.a[1], wall.b[0] - wall.a[0]) * 180) / Math.PI) * 100) / 100;
  return (
    <>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{single ? term(`walls.${wall.kind}`) : text('survey.wallsChosen', { count: walls.length })}</h2>
          <p>{project.levels[wall.levelId].name}</p>
        </div>
      </div>
      <div className="fields">
        {single ? (
          <>
            <LengthField
              label={text('survey.length')}
              valueM={lengthM}
              units={units}
              onChange={(next) =>
                next && edit(text('survey.changeWall'), placeWall(project, wall.id, { b: along(next) }, newSurveyId))
              }
            />
            <NumberField
              label={text('survey.angle')}
              value={angleDeg}
              min={-360}
              max={360}
              onChange={(degrees) => {
                const rad = (degrees * Math.PI) / 180;
                edit(
                  text('survey.changeWall'),
                  placeWall(
                    project,
                    wall.id,
                    { b: [wall.a[0] + Math.cos(rad) * lengthM, wall.a[1] + Math.sin(rad) * lengthM] },
                    newSurveyId,
                  ),
                );
              }}
            />
            {(['a', 'b'] as const).flatMap((end) =>
              ([0, 1] as const).map((axis) => (
                <LengthField
                  key={`${end}${axis}`}
                  label={text(`survey.end.${end}${axis}`)}
                  valueM={wall[end][axis]}
                  units={units}
                  onChange={(value) => {
                    if (value === null) return;
                    const point: Point2 = axis === 0 ? [value, wall[end][1]] : [wall[end][0], value];
                    edit(text('survey.changeWall'), placeWall(project, wall.id, { [end]: point }, newSurveyId));
                  }}
                />
              )),
            )}
          </>
        ) : (
          <p className="faint wide">{text('survey.totalLength', { length: lengthM.toFixed(2) })}</p>
        )}
        <ChoiceField
          label={text('survey.wallKind')}
          value={wall.kind}
          options={WALL_KINDS.map((value) => ({ value, label: term(`walls.${value}`) }))}
          onChange={(kind) => {
            const { studMaterial, studSpacingM, studWidthM, topPlates, cavityDepthM, cableMayRun } = WALL_BUILDS[kind];
            change({ kind, studMaterial, studSpacingM, studWidthM, topPlates, cavityDepthM, cableMayRun });
          }}
        />
        <FactField
          subject="walls"
          subjectId={wall.id}
          field="thicknessM"
          label={text('survey.thickness')}
          onValue={single ? undefined : (value) => value && change({ thicknessM: value })}
        />
        <FactField
          subject="walls"
          subjectId={wall.id}
          field="cavityDepthM"
          label={text('survey.cavity')}
          onValue={single ? undefined : (value) => value !== null && change({ cavityDepthM: value })}
        />
        <LengthField
          label={text('survey.wallHeight')}
          valueM={wall.heightM}
          units={units}
          placeholder={text('survey.toCeiling')}
          mayBeEmpty
          onChange={(heightM) => change({ heightM })}
        />
        <SwitchField
          label={text('survey.cableMayRun')}
          value={wall.cableMayRun}
          onChange={(cableMayRun) => change({ cableMayRun })}
        />
      </div>
      <div className="eyebrow">{text('survey.studs')}</div>
      <div className="fields">
        <ChoiceField
          label={text('survey.studMaterial')}
          value={wall.studMaterial}
          options={STUD_MATERIALS.map((value) => ({ value, label: term(`studs.${value}`) }))}
          onChange={(studMaterial) => change({ studMaterial })}
        />
        <NumberField
          label={text('survey.plates')}
          value={wall.topPlates}
          min={0}
          max={4}
          onChange={(topPlates) => change({ topPlates })}
        />
        {wall.studMaterial !== 'none' && (
          <>
            <FactField
              subject="walls"
              subjectId={wall.id}
              field="studSpacingM"
              label={text('survey.spacing')}
              onValue={single ? undefined : (value) => value !== null && change({ studSpacingM: value })}
            />
            <FactField
              subject="walls"
              subjectId={wall.id}
              field="studOffsetM"
              label={text('survey.firstStud')}
              onValue={single ? undefined : (value) => value !== null && change({ studOffsetM: value })}
            />
            {single && <p className="faint wide">{text('survey.studCount', { count: studsOf(project, wall).length })}</p>}
          </>
        )}
      </div>
      <div className="eyebrow">{text('survey.finishes')}</div>
      <div className="fields">
        {(['Left', 'Right'] as const).flatMap((side) => [
          <WordsField
            key={`${side}w`}
            label={text(`survey.finish${side}`)}
            value={wall[`finish${side}`]}
            onChange={(words) => change({ [`finish${side}`]: words })}
          />,
          <LengthField
            key={`${side}m`}
            label={text('survey.finishDepth')}
            valueM={wall[`finish${side}M`]}
            units={units}
            onChange={(value) => value !== null && change({ [`finish${side}M`]: value })}
          />,
        ])}
      </div>
      {single &&
        (['left', 'right'] as const).map((side) => {
          const { setOutM, deepestM } = mountingDepth(wall, side);
          return (
            <p key={side} className="faint">
              {text('survey.depths', {
                side: text(side === 'left' ? 'survey.onLeft' : 'survey.onRight'),
                setOut: formatLengthFine(setOutM, units),
                deepest: formatLengthFine(deepestM, units),
              })}
            </p>
          );
        })}
      {!walls.some((one) => isDefaultBuild(project.levels[one.levelId], one)) && commonBuild(walls) && (
        <div className="panel-buttons">
          <Button
            size="small"
            onClick={() => edit(text('survey.makeDefault'), setLevelDefaults(project, wall.levelId, { wall: buildOf(wall) }))}
          >
            {text('survey.makeDefault')}
          </Button>
        </div>
      )}
      {single && (
        <div className="panel-buttons">
          <Button size="small" type="primary" onClick={() => onElevation(wall.id)}>
            {text('survey.elevation')}
          </Button>
          <Button size="small" onClick={() => edit(text('survey.split'), splitWall(project, wall.id, lengthM / 2, newSurveyId))}>
            {text('survey.split')}
          </Button>
        </div>
      )}
    </>
  );
}
