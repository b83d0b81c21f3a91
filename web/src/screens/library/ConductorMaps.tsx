import { createRecords } from '../../commands/create-records.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { useProject } from '../../state/open-project.ts';
import type { ConductorMap, MapsReply } from '@dusky-spool/core/model';
import { changeMap, conductorsOf, conductorsUsed } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { putJson } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { WordsField } from '../../ui/fields.tsx';
import { useState } from 'react';
import { App as AntApp, Button, Input } from 'antd';
import css from './library.module.css';

interface Props {
  readonly find: string;
}

/** What each conductor of a cable is used for: the maps of the project, changed here for all their runs, and kept for the firm. */
export function ConductorMaps({ find }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [chosen, setChosen] = useState<string | null>(null);
  const words = find.trim().toLowerCase();
  const maps = listOf(project, 'conductorMaps')
    .filter(({ name, lines }) => `${name} ${lines.map(({ use }) => use).join(' ')}`.toLowerCase().includes(words))
    .toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const map = chosen === null ? maps[0] : (project.conductorMaps[chosen] ?? maps[0]);
  const runs = new Map<string, number>();
  for (const { mapId } of listOf(project, 'runs')) if (mapId !== null) runs.set(mapId, (runs.get(mapId) ?? 0) + 1);
  const add = () => {
    const id = newRecordId('cm');
    const made: ConductorMap = { id, name: text('maps.newName'), lines: [{ conductor: 'red', use: '+' }], note: '' };
    if (edit(text('maps.add'), createRecords('conductorMaps', [made]))) setChosen(id);
  };
  return (
    <div className={css.mapsScreen}>
      <div className="table-paper">
        <table className={css.libraryTable}>
          <thead>
            <tr>
              <th scope="col">{text('maps.map')}</th>
              <th scope="col">{text('maps.lines')}</th>
              <th scope="col">{text('maps.conductors')}</th>
              <th scope="col">{text('maps.runs')}</th>
            </tr>
          </thead>
          <tbody>
            {maps.map((one) => (
              <tr key={one.id} className={one.id === map?.id ? 'chosen' : ''}>
                <th scope="row">
                  <button type="button" className="plain" aria-pressed={one.id === map?.id} onClick={() => setChosen(one.id)}>
                    <span>{one.name}</span>
                  </button>
                </th>
                <td className={css.mapLines}>{conductorsOf(one)}</td>
                <td>{conductorsUsed(one)}</td>
                <td>{runs.get(one.id) ?? ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className={css.libraryActions}>
          <Button size="small" onClick={add}>
            {text('maps.add')}
          </Button>
        </div>
      </div>
      {map && <MapCard key={map.id} map={map} runs={runs.get(map.id) ?? 0} />}
    </div>
  );
}

interface CardProps {
  readonly map: ConductorMap;
  readonly runs: number;
}

function MapCard({ map, runs }: CardProps) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { message } = AntApp.useApp();
  const [draft, setDraft] = useState<ConductorMap['lines'] | null>(null);
  const lines = draft ?? map.lines;
  const change = (after: Partial<ConductorMap>) =>
    edit(text('maps.change', { name: map.name }), changeMap(project, map.id, after));
  const set = (index: number, after: Partial<ConductorMap['lines'][number]>) =>
    setDraft(lines.map((line, i) => (i === index ? { ...line, ...after } : line)));
  const complete = lines.every(({ conductor, use }) => conductor.trim() !== '' && use.trim() !== '');
  const usedBy = listOf(project, 'deviceTypes').filter(({ cables }) => cables.some(({ mapId }) => mapId === map.id));
  const keep = async () => {
    try {
      await putJson<MapsReply>('/library/maps', { maps: [map] });
      void message.success(text('maps.kept', { name: map.name }));
    } catch (error) {
      void message.warning(sentenceOf(error));
    }
  };
  return (
    <aside className={css.libraryCard} aria-label={text('maps.card')}>
      <h2>{map.name}</h2>
      <p className="faint">{text('maps.usedBy', { runs, types: usedBy.length })}</p>
      <WordsField label={text('device.name')} value={map.name} max={60} required onChange={(name) => change({ name })} />
      <div className="eyebrow">{text('maps.both')}</div>
      <ol className={css.mapEditor}>
        {lines.map((line, index) => (
          <li key={index}>
            <Input
              size="small"
              value={line.conductor}
              maxLength={30}
              aria-label={text('maps.conductor', { n: index + 1 })}
              onChange={(event) => set(index, { conductor: event.target.value })}
              onKeyDown={(event) => event.stopPropagation()}
            />
            <Input
              size="small"
              value={line.use}
              maxLength={60}
              aria-label={text('maps.use', { n: index + 1 })}
              onChange={(event) => set(index, { use: event.target.value })}
              onKeyDown={(event) => event.stopPropagation()}
            />
            <Button
              size="small"
              aria-label={text('maps.removeLine', { n: index + 1 })}
              onClick={() => setDraft(lines.filter((_, i) => i !== index))}
            >
              ×
            </Button>
          </li>
        ))}
      </ol>
      <div className="panel-buttons">
        <Button size="small" onClick={() => setDraft([...lines, { conductor: '', use: '' }])}>
          {text('maps.addLine')}
        </Button>
        {draft && (
          <>
            <Button
              size="small"
              type="primary"
              disabled={!complete}
              onClick={() => {
                const trimmed = lines.map(({ conductor, use }) => ({ conductor: conductor.trim(), use: use.trim() }));
                if (change({ lines: trimmed })) setDraft(null);
              }}
            >
              {text('apply')}
            </Button>
            <Button size="small" onClick={() => setDraft(null)}>
              {text('cancel')}
            </Button>
          </>
        )}
      </div>
      {draft && <p className="faint">{text('maps.effect', { count: runs })}</p>}
      <WordsField label={text('maps.note')} value={map.note} max={400} long onChange={(note) => change({ note })} />
      <div className="panel-buttons">
        <Button size="small" onClick={() => void keep()}>
          {text('maps.keep')}
        </Button>
        <Button
          size="small"
          danger
          disabled={runs > 0 || usedBy.length > 0}
          onClick={() => edit(text('maps.remove', { name: map.name }), removeRecords('conductorMaps', [map]))}
        >
          {text('brief.remove')}
        </Button>
      </div>
    </aside>
  );
}
