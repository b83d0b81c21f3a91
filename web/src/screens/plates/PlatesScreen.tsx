import { ProjectProvider, useProject } from '../../state/open-project.ts';
import { edited } from '@dusky-spool/core/derive';
import { platesInOrder } from '@dusky-spool/core/sheets';
import { composePlate, platesWanted } from '@dusky-spool/core/devices';
import type { Operation } from '@dusky-spool/core/model';
import { formatLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useKeys } from '../../canvas/useKeys.ts';
import { viewOfItsWall } from '../../state/views.ts';
import { useDerived } from '../../state/derived.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { RankMark } from '../../ui/RankMark.tsx';
import { PlateCard } from './PlateCard.tsx';
import { PlatePicture } from './PlatePicture.tsx';
import { useMemo } from 'react';
import { Button } from 'antd';
import css from './plates.module.css';

interface Props {
  readonly projectId: string;
  readonly plateId: string | null;
  readonly onPlate: (plateId: string) => void;
  readonly onView: (view: string | null) => void;
}

const SMALL = 420;

/** Boxes and plates: those that are composed, and the devices that still want one. */
export function PlatesScreen({ projectId, plateId, onPlate, onView }: Props) {
  const project = useProject();
  const { edit, undo, redo, preview } = useProjectParts('edit', 'undo', 'redo', 'preview');
  useKeys({ undo, redo });
  const shown = preview?.project ?? project;
  const plates = platesInOrder(shown);
  const wanted = useMemo(() => platesWanted(project), [project]);
  const chosen = plateId === null ? plates[0] : (shown.plates[plateId] ?? plates[0]);
  const findings = useDerived(shown).findings.filter(({ check }) => check === 'plates-sound');
  const { units } = project.project;
  const roomName = (roomId: string | null, levelId: string) =>
    `${roomId === null ? term('outdoors') : shown.rooms[roomId].name}, ${shown.levels[levelId].name}`;
  const compose = (groups: readonly (readonly string[])[]) => {
    let working = project;
    const operations: Operation[] = [];
    let last = '';
    for (const group of groups) {
      last = newRecordId('pl');
      const made = composePlate(working, group, last);
      if (!made.ok) return void edit(text('plates.compose'), made);
      operations.push(...made.value.operations);
      const applied = edited(working, made.value.operations);
      if (applied.ok) working = applied.value;
    }
    if (edit(text('plates.compose'), operations) && last) onPlate(last);
  };
  const codesOf = (ids: readonly string[]) => ids.map((id) => project.deviceTypes[project.devices[id].typeId].name).join(' + ');
  return (
    <div className={css.platesScreen}>
      <div className={css.platesColumn}>
        <header className="library-head">
          <Button size="small" onClick={() => onView(null)}>
            {text('library.back')}
          </Button>
          <h2>{text('plates.title')}</h2>
          <span className="grow" />
          {plates.length > 0 && (
            <Button
              size="small"
              href={`/api/projects/${projectId}/documents/plate-schedule.pdf?paper=${units === 'imperial' ? 'Letter' : 'A4'}`}
            >
              {text('plates.print')}
            </Button>
          )}
        </header>
        <ol className={css.plateList}>
          {plates.map((plate, i) => {
            const own = findings.filter(({ subjects }) => subjects[0].id === plate.id);
            return (
              <li key={plate.id}>
                <button
                  type="button"
                  className={`plain ${css.plateTile}`}
                  aria-pressed={plate.id === chosen?.id}
                  onClick={() => onPlate(plate.id)}
                >
                  <PlatePicture plate={plate} scale={SMALL} />
                  <span>
                    <b>{plate.name || text('plates.numbered', { n: i + 1 })}</b>
                    <span className="faint">{roomName(plate.roomId, plate.levelId)}</span>
                    <span className="faint">
                      {text('plates.line', { count: plate.gangs, height: formatLength(plate.heightM, units) })}
                    </span>
                    {own.length > 0 && <RankMark rank={own[0].rank} />}
                  </span>
                </button>
              </li>
            );
          })}
        </ol>
        {plates.length === 0 && <p className="brief-empty">{text('plates.none')}</p>}
        {wanted.length > 0 && (
          <section className={css.platesWanted} aria-label={text('plates.wanted')}>
            <header>
              <h3>{text('plates.wantedCount', { count: wanted.length })}</h3>
              <Button size="small" type="primary" onClick={() => compose(wanted)}>
                {text('plates.composeAll')}
              </Button>
            </header>
            <ul>
              {wanted.map((group) => {
                const first = project.devices[group[0]];
                return (
                  <li key={group[0]}>
                    <span>
                      <b>{codesOf(group)}</b> <span className="faint">{roomName(first.roomId, first.levelId)}</span>
                    </span>
                    <Button size="small" onClick={() => compose([group])}>
                      {text('plates.compose')}
                    </Button>
                  </li>
                );
              })}
            </ul>
          </section>
        )}
      </div>
      {chosen && (
        <ProjectProvider value={shown}>
          <PlateCard
            key={chosen.id}
            plate={chosen}
            findings={findings.filter(({ subjects }) => subjects[0].id === chosen.id)}
            onWall={() => {
              const view = viewOfItsWall(project, chosen);
              if (view) onView(view);
            }}
          />
        </ProjectProvider>
      )}
    </div>
  );
}
