import { copyType } from '@dusky-spool/core/devices';
import { takeTypes } from '../../commands/take-types.ts';
import { useProject } from '../../state/open-project.ts';
import {
  type DeviceType,
  type LibraryReadReply,
  type LibraryReply,
  PARTS,
  sameValue,
  type SystemName,
  SYSTEMS,
} from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { postText, putJson } from '../../ground/api/http.ts';
import { useSend, useServer } from '../../ground/api/server-state.ts';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { BeadIcon } from '../../ui/Bead.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { CableTypes } from './CableTypes.tsx';
import { ConductorMaps } from './ConductorMaps.tsx';
import { FileProblems } from './FileProblems.tsx';
import { TypeCard } from './TypeCard.tsx';
import { useMemo, useState } from 'react';
import { App as AntApp, Button, Input, Segmented, Select, Upload } from 'antd';
import css from './library.module.css';

interface Props {
  readonly onBack: () => void;
}

/** Parts of the library, the cables and the conductor maps. */
type Shown = DeviceType['part'] | 'cables' | 'maps';

const FIRM_LIBRARY = '/library';
const NO_TYPES: readonly DeviceType[] = [];

/** The device library as this project uses it, beside the firm's: edit, add, take newer versions, files in and out. */
export function LibraryScreen({ onBack }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { message } = AntApp.useApp();
  const [find, setFind] = useState('');
  const [system, setSystem] = useState<SystemName | 'all'>('all');
  const [part, setPart] = useState<Shown>('device');
  const [chosen, setChosen] = useState<string | null>(null);
  const { data } = useServer<LibraryReply>(FIRM_LIBRARY);
  const firm = data?.types ?? NO_TYPES;
  const [read, setRead] = useState<LibraryReadReply | null>(null);
  const fail = (error: unknown) => void message.warning(sentenceOf(error));
  const { sendAsync: sendToFirm } = useSend(
    (types: readonly DeviceType[]) => putJson<LibraryReply>(FIRM_LIBRARY, { types }),
    [FIRM_LIBRARY],
  );
  const used = useMemo(() => {
    const counts = new Map<string, number>();
    for (const device of Object.values(project.devices)) counts.set(device.typeId, (counts.get(device.typeId) ?? 0) + 1);
    return counts;
  }, [project.devices]);
  const words = find.trim().toLowerCase();
  const types = listOf(project, 'deviceTypes')
    .filter((type) => type.part === part && (system === 'all' || type.system === system))
    .filter((type) => `${type.code} ${type.name}`.toLowerCase().includes(words))
    .toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const type = chosen === null ? undefined : project.deviceTypes[chosen];
  const inFirm = new Map(firm.map((one) => [one.id, one]));
  const newer = firm.filter((one) => {
    const mine = project.deviceTypes[one.id];
    return !mine || (one.version > mine.version && !sameValue(one, mine));
  });
  const take = (wanted: readonly DeviceType[], title: string) => {
    const operations = takeTypes(project, wanted);
    return operations.length === 0 || edit(title, operations);
  };
  const keepInFirm = async (wanted: readonly DeviceType[]) => {
    try {
      const { types: kept } = await sendToFirm(wanted);
      take(kept, text('library.kept'));
      void message.success(text('library.keptCount', { count: kept.length }));
    } catch (error) {
      fail(error);
    }
  };
  const add = () => {
    const base = project.deviceTypes[chosen ?? ''] ?? types[0];
    if (!base) return;
    const id = newRecordId('t');
    const name = text('library.copyOf', { name: base.name });
    if (edit(text('library.add'), copyType(project, { id, from: base, name }))) setChosen(id);
  };
  return (
    <div className={css.libraryScreen}>
      <div className={css.libraryColumn}>
        <header className="library-head">
          <Button size="small" onClick={onBack}>
            {text('library.back')}
          </Button>
          <h2>{text('library.title')}</h2>
          <Input
            allowClear
            value={find}
            placeholder={text('plan.paletteFind')}
            aria-label={text('plan.paletteFind')}
            onChange={(event) => setFind(event.target.value)}
          />
          <Select
            value={system}
            aria-label={text('library.system')}
            options={[
              { value: 'all' as const, label: text('library.allSystems') },
              ...SYSTEMS.map((value) => ({ value, label: term(`systems.${value}`) })),
            ]}
            onChange={setSystem}
          />
          <Segmented
            value={part}
            onChange={setPart}
            options={[
              ...PARTS.map((value) => ({ value: value as Shown, label: term(`parts.${value}`) })),
              { value: 'cables' as const, label: text('cables.short') },
              { value: 'maps' as const, label: text('maps.short') },
            ]}
          />
        </header>
        {part === 'maps' && <ConductorMaps find={find} />}
        {part === 'cables' && <CableTypes find={find} />}
        {part !== 'maps' && part !== 'cables' && (
          <>
            <div className={css.libraryActions}>
              <Button size="small" onClick={add}>
                {text('library.add')}
              </Button>
              <Upload
                accept=".csv,.json,text/csv,application/json"
                showUploadList={false}
                beforeUpload={(file) => {
                  void file
                    .text()
                    .then((body) => postText<LibraryReadReply>('/library/read', body))
                    .then(setRead, fail);
                  return false;
                }}
              >
                <Button size="small">{text('library.import')}</Button>
              </Upload>
              <Button size="small" href="/api/library/file?kind=csv">
                {text('library.csv')}
              </Button>
              <Button size="small" href="/api/library/file?kind=json">
                {text('library.json')}
              </Button>
              {newer.length > 0 && (
                <Button size="small" type="primary" onClick={() => take(newer, text('library.take'))}>
                  {text('library.takeNewer', { count: newer.length })}
                </Button>
              )}
            </div>
            {read && (
              <FileProblems
                read={read}
                onClose={() => setRead(null)}
                onTake={() => {
                  void keepInFirm(read.types).then(() => setRead(null));
                }}
              />
            )}
            <div className="table-paper">
              <table className={css.libraryTable}>
                <thead>
                  <tr>
                    <th scope="col">{text('library.type')}</th>
                    <th scope="col">{text('library.mount')}</th>
                    <th scope="col">{text('library.cutOut')}</th>
                    <th scope="col">{text('library.depth')}</th>
                    <th scope="col">kg</th>
                    <th scope="col">{text('library.power')}</th>
                    <th scope="col">{text('library.cables')}</th>
                    <Costs>
                      <th scope="col">{project.project.currency}</th>
                    </Costs>
                    <th scope="col">{text('library.used')}</th>
                  </tr>
                </thead>
                <tbody>
                  {types.map((one) => (
                    <tr key={one.id} className={one.id === chosen ? 'chosen' : ''}>
                      <th scope="row">
                        <button
                          type="button"
                          className="plain"
                          aria-pressed={one.id === chosen}
                          onClick={() => setChosen(one.id)}
                        >
                          <BeadIcon code={one.code} system={one.system} />
                          <span>{one.name}</span>
                        </button>
                      </th>
                      <td>{term(`mounts.${one.mount}`)}</td>
                      <td>{cutOutWords(one)}</td>
                      <td>{one.depthM > 0 ? `${Math.round(one.depthM * 1000)} mm` : ''}</td>
                      <td>{one.weightKg}</td>
                      <td>{powerWords(one)}</td>
                      <td>{one.cables.length > 0 ? one.cables.length : one.part === 'device' ? text('library.none') : ''}</td>
                      <Costs>
                        <td>{one.price > 0 ? one.price : ''}</td>
                      </Costs>
                      <td>{used.get(one.id) ?? ''}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {types.length === 0 && <p className="brief-empty">{text('library.nothing')}</p>}
            </div>
          </>
        )}
      </div>
      {type && part !== 'maps' && part !== 'cables' && (
        <TypeCard
          key={type.id}
          type={type}
          firm={inFirm.get(type.id)}
          used={used.get(type.id) ?? 0}
          onKeep={() => void keepInFirm([type])}
        />
      )}
    </div>
  );
}

function cutOutWords({ cutOut, accepts }: DeviceType): string {
  const mm = (value: number) => Math.round(value * 1000);
  if (accepts) return `${accepts.shape === 'round' ? 'ø ' : ''}${mm(accepts.leastM)}–${mm(accepts.mostM)} mm`;
  if (!cutOut) return '';
  return cutOut.shape === 'round' ? `ø ${mm(cutOut.widthM)} mm` : `${mm(cutOut.widthM)} × ${mm(cutOut.heightM)} mm`;
}

function powerWords({ poeClass, dcV, dcW, mainsW, link }: DeviceType): string {
  return [
    poeClass === null ? '' : text('library.poe', { class: poeClass }),
    dcV === null ? '' : `${dcV} V ${dcW ?? ''} W`,
    mainsW === null ? '' : mainsW > 0 ? text('library.mains', { watts: mainsW }) : text('library.mainsOnly'),
    link === 'battery-radio' ? text('library.battery') : '',
  ]
    .filter(Boolean)
    .join(', ');
}
