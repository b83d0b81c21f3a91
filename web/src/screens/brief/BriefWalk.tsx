import { useProject } from '../../state/open-project.ts';
import {
  addWalkPlace,
  answeringDevices,
  type BriefPlace,
  cellOf,
  devicesIn,
  deviceWalkOf,
  isOutdoors,
  placeIdOf,
  placeOf,
  recordDeviceWalk,
  recordWalk,
  WALK_PLACES,
  type WalkArea,
  type WalkDifference,
  walkDifferences,
  walkingOrder,
  type WalkPlace,
  walkResultOf,
} from '@dusky-spool/core/brief';
import { deviceNumber, deviceTitle } from '@dusky-spool/core/devices';
import { onLevel } from '@dusky-spool/core/derive';
import { areaOfDevice, levelsFromBelow } from '@dusky-spool/core/house';
import {
  BRIEF_TOPICS,
  type Device,
  type ProjectDocument,
  type Walk,
  WALK_RESULTS,
  type WalkResult,
  WALKS,
} from '@dusky-spool/core/model';
import { useOwnName, useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { operationsOf } from '../../commands/operations-of.ts';
import { deviceIds, newRecordId, useProjectParts, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { AnswerMark } from './AnswerMark.tsx';
import { useState } from 'react';
import { Button, Segmented } from 'antd';
import css from './brief.module.css';

/** A room or outdoor area in walking order, or what lies outdoors at a level of a house without areas. */
interface Stop {
  readonly area: WalkArea;
  readonly place: BriefPlace | null;
  readonly levelId: string;
  readonly name: string;
  readonly devices: readonly Device[];
}

function stopsOf(project: ProjectDocument): Stop[] {
  const places = walkingOrder(project).map((place): Stop => {
    const { id, levelId, name } = place;
    return { area: { placeId: id }, place, levelId, name, devices: devicesIn(project, id) };
  });
  if (places.length === 0 || places.some(({ place }) => place && isOutdoors(place))) return places;
  const levels = levelsFromBelow(project);
  const ground = levels.find(({ order }) => order >= 0) ?? levels[0];
  const outdoors = levels.flatMap((level): Stop[] => {
    const devices = onLevel(project, 'devices', level.id).filter(({ roomId }) => roomId === null);
    if (devices.length === 0 && level !== ground) return [];
    return [{ area: { levelId: level.id }, place: null, levelId: level.id, name: term('outdoors'), devices }];
  });
  return [...places, ...outdoors];
}

/** The house in walking order, room by room and outdoors: what was asked for, device by device, and what nobody asked for before. */
export function BriefWalk() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const by = useOwnName();
  const mayPlan = useRight('plan');
  const [walk, setWalk] = useState<Walk>('first');
  const [index, setIndex] = useState(0);
  const stops = stopsOf(project);
  const at = Math.min(index, stops.length - 1);
  const stop = stops[at];
  if (!stop) return <p className="brief-empty">{text('stage.brief.noRooms')}</p>;
  const add = (place: WalkPlace) => {
    const said = { walk, by, on: today(), why: text('brief.walkWhy') };
    const ids = { ...deviceIds, walk: () => newRecordId('dw') };
    const now = useProjectStore.getState().sync!.view;
    edit(
      text('brief.walkAdded', { what: term(`walkPlaces.${place}`) }),
      operationsOf(addWalkPlace(now, stop.area, place, said, ids)),
    );
  };
  return (
    <section className={`walk ${css.briefWalk}`} aria-label={text('brief.views.walk')}>
      <Segmented
        block
        aria-label={text('brief.whichWalk')}
        value={walk}
        options={WALKS.map((value) => ({ value, label: term(`walks.${value}`) }))}
        onChange={setWalk}
      />
      <header>
        <Button disabled={at === 0} onClick={() => setIndex(at - 1)}>
          {text('brief.walkBack')}
        </Button>
        <span>{text('brief.walkAt', { at: at + 1, count: stops.length })}</span>
        <Button type="primary" disabled={at >= stops.length - 1} onClick={() => setIndex(at + 1)}>
          {text('brief.walkNext')}
        </Button>
      </header>
      <div className="walk-bar" role="img" aria-label={text('brief.walkAt', { at: at + 1, count: stops.length })}>
        <span style={{ width: `${(100 * (at + 1)) / stops.length}%` }} />
      </div>
      <div className="walk-card">
        <p className="eyebrow">
          {project.levels[stop.levelId].name}
          {stop.place && stop.place.code !== '' && ` · ${stop.place.code}`}
        </p>
        <h1>{stop.name}</h1>
        {stop.place && <Answers place={stop.place} walk={walk} />}
        <Devices stop={stop} walk={walk} />
        {mayPlan && (
          <>
            <h2 className="eyebrow">{text('brief.walkAdd')}</h2>
            <div className={css.walkPlaces}>
              {(Object.keys(WALK_PLACES) as WalkPlace[])
                .filter((place) => (stop.place && !isOutdoors(stop.place)) || WALK_PLACES[place].outdoors !== null)
                .map((place) => (
                  <Button key={place} onClick={() => add(place)}>
                    + {term(`walkPlaces.${place}`)}
                  </Button>
                ))}
            </div>
          </>
        )}
      </div>
      <Differences walk={walk} />
    </section>
  );
}

/** What was asked for in a room or area, each answer found there, missing or different. */
function Answers({ place, walk }: { readonly place: BriefPlace; readonly walk: Walk }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const by = useOwnName();
  const cells = BRIEF_TOPICS.flatMap((topic) => cellOf(project, place.id, topic) ?? []);
  const asked = cells.filter(({ answer }) => answer === 'wanted' || answer === 'prepared');
  const topicsOf = (answer: 'later' | 'nothing') =>
    cells.flatMap((cell) => (cell.answer === answer ? [term(`topics.${cell.topic}`)] : [])).join(', ');
  return (
    <>
      {asked.length === 0 && <p className="faint">{text('brief.walkNothing')}</p>}
      {asked.map((cell) => {
        const result = walkResultOf(project, walk, place.id, cell.topic);
        return (
          <div key={cell.id} className={css.walkAnswer}>
            <div className={css.walkAnswerHead}>
              <AnswerMark answer={cell.answer} count={cell.count} />
              <b>{term(`topics.${cell.topic}`)}</b>
              <span className="faint">
                {term(`answers.${cell.answer}`)} · {text('brief.planned', { count: answeringDevices(project, cell).length })}
              </span>
            </div>
            <FoundButtons
              found={result?.found}
              onFound={(found) =>
                edit(
                  text('edit.walk', { room: place.name }),
                  recordWalk(project, walk, place.id, cell.topic, { found, by, on: today(), note: result?.note ?? '' }, () =>
                    newRecordId('wr'),
                  ),
                )
              }
            />
          </div>
        );
      })}
      {topicsOf('later') && <p className="faint">{text('brief.walkLater', { topics: topicsOf('later') })}</p>}
      {topicsOf('nothing') && <p className="faint">{text('brief.walkOnPurpose', { topics: topicsOf('nothing') })}</p>}
    </>
  );
}

/** The devices of a room or outdoors, each found there, missing or different. */
function Devices({ stop, walk }: { readonly stop: Stop; readonly walk: Walk }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const by = useOwnName();
  return (
    <>
      <h2 className="eyebrow">{text('brief.walkDevices', { count: stop.devices.length })}</h2>
      {stop.devices.map((device) => {
        const result = deviceWalkOf(project, walk, device.id);
        return (
          <div key={device.id} className={css.walkAnswer}>
            <div className={css.walkAnswerHead}>
              <b>{deviceTitle(device, project.deviceTypes[device.typeId])}</b>
              <span className="faint">{deviceNumber(project, device)}</span>
            </div>
            <FoundButtons
              found={result?.found}
              onFound={(found) =>
                edit(
                  text('edit.walk', { room: stop.name }),
                  recordDeviceWalk(project, walk, device.id, { found, by, on: today(), note: result?.note ?? '' }, () =>
                    newRecordId('dw'),
                  ),
                )
              }
            />
          </div>
        );
      })}
    </>
  );
}

function FoundButtons({
  found,
  onFound,
}: {
  readonly found: WalkResult['found'] | undefined;
  readonly onFound: (found: WalkResult['found']) => void;
}) {
  return (
    <div className={css.walkThree}>
      {WALK_RESULTS.map((value) => (
        <Button
          key={value}
          type={found === value ? 'primary' : 'default'}
          aria-pressed={found === value}
          onClick={() => onFound(value)}
        >
          {term(`walkFound.${value}`)}
        </Button>
      ))}
    </div>
  );
}

/** What differs on this walk; on the last one beside what the first had found. */
function Differences({ walk }: { readonly walk: Walk }) {
  const project = useProject();
  const differences = walkDifferences(project, walk);
  const nameOf = (one: WalkDifference) => {
    if (one.kind === 'answer') return [placeOf(project, placeIdOf(one.cell))?.name ?? '', term(`topics.${one.cell.topic}`)];
    const { roomId, typeId, id } = one.device;
    const outdoors = areaOfDevice(project, id)?.name || term('outdoors');
    return [roomId === null ? outdoors : project.rooms[roomId].name, deviceTitle(one.device, project.deviceTypes[typeId])];
  };
  return (
    <>
      <h2 className="eyebrow">{text('brief.differences', { count: differences.length })}</h2>
      <ol className="walk-list">
        {differences.map((one) => {
          const [place, what] = nameOf(one);
          return (
            <li key={one.result.id}>
              <b>{place}</b> {what}: {term(`walkFound.${one.result.found}`)}
              {one.first && ` (${text('brief.walkBefore', { found: term(`walkFound.${one.first.found}`).toLowerCase() })})`}
              <span className="faint">
                {' '}
                {one.result.by} {one.result.on}
              </span>
            </li>
          );
        })}
      </ol>
    </>
  );
}
