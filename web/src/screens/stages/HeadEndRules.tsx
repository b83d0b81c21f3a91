import type { HeadEndChange, RuleKey } from '@dusky-spool/core/devices';
import { formatCableLength } from '@dusky-spool/core/math';
import { type ProjectDocument, type Run, SYSTEMS } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { Modal, Select } from 'antd';
import { useState } from 'react';
import { term, text } from '../../ground/text.ts';
import { askHeadEnds } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { useRight } from '../../ground/api/session.ts';
import css from './stages.module.css';

const NEAREST = '';

/** The cables of a family by name: "Category 6, Category 6A". */
const familyName = (project: ProjectDocument, family: string): string =>
  text('stage.headEnd.family', {
    name: listOf(project, 'cableTypes')
      .filter((cable) => cable.family === family)
      .map(({ name }) => name)
      .join(', '),
  });

const nameOf = (project: ProjectDocument, { family, system }: RuleKey) =>
  system === null ? familyName(project, family) : term(`systems.${system}`);

type Difference = HeadEndChange & {
  readonly key: RuleKey;
  readonly rackId: string | null;
  readonly beforeM: number;
  readonly afterM: number;
};

/** Which head end takes the runs of each system, and of cable families that differ; a change is shown before it is made. */
export function HeadEndRules() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const mayPlan = useRight('plan');
  const [difference, setDifference] = useState<Difference | null>(null);
  const [added, setAdded] = useState<string | null>(null);
  const rules = listOf(project, 'headEndRules');
  const homes = listOf(project, 'runs').filter(({ toDeviceId }) => toDeviceId === null);
  const there = new Set(homes.map(({ deviceId }) => systemOf(project, deviceId)));
  const families = [...new Set(homes.map(({ cableTypeId }) => project.cableTypes[cableTypeId].family))];
  const ruled = rules.filter(({ family }) => family !== '').map(({ family }) => family);
  const shown = [...new Set([...ruled, ...(added === null ? [] : [added])])];
  const rows: RuleKey[] = [
    ...SYSTEMS.filter((system) => there.has(system) || rules.some((rule) => rule.system === system)).map((system) => ({
      family: '',
      system,
    })),
    ...shown.map((family) => ({ family, system: null })),
  ];
  const ask = async (key: RuleKey, rackId: string | null) => {
    const found = await askHeadEnds({ key, rackId, newId: newRecordId('he') });
    if (found) setDifference({ ...found, key, rackId });
  };
  return (
    <section className={css.headEndRules}>
      <h3>{text('stage.headEnd.rules')}</h3>
      <p className="faint">{text('stage.headEnd.rulesNote')}</p>
      <table className={css.ruleTable}>
        <thead>
          <tr>
            <th scope="col">{text('stage.headEnd.what')}</th>
            <th scope="col">{text('stage.headEnd.takenBy')}</th>
            <th scope="col">{text('stage.headEnd.runsNow')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((key) => (
            <RuleRow
              key={nameOf(project, key)}
              rule={key}
              homes={homes}
              mayPlan={mayPlan}
              onTake={(rackId) => void ask(key, rackId)}
            />
          ))}
        </tbody>
      </table>
      {mayPlan && families.some((family) => !shown.includes(family)) && (
        <Select
          value={null}
          placeholder={text('stage.headEnd.addFamily')}
          aria-label={text('stage.headEnd.addFamily')}
          popupMatchSelectWidth={false}
          options={families
            .filter((family) => !shown.includes(family))
            .map((family) => ({ value: family, label: familyName(project, family) }))}
          onChange={(family: string | null) => setAdded(family)}
        />
      )}
      {difference && (
        <DifferenceDialog
          difference={difference}
          onApply={() => {
            edit(titleOf(project, difference), difference.operations);
            setDifference(null);
          }}
          onCancel={() => setDifference(null)}
        />
      )}
    </section>
  );
}

/** One system or cable family: which head end takes it, and where its home runs end now. */
function RuleRow({
  rule: key,
  homes,
  mayPlan,
  onTake,
}: {
  readonly rule: RuleKey;
  readonly homes: readonly Run[];
  readonly mayPlan: boolean;
  readonly onTake: (rackId: string | null) => void;
}) {
  const project = useProject();
  const racks = listOf(project, 'racks');
  const name = nameOf(project, key);
  const rule = listOf(project, 'headEndRules').find(({ family, system }) => family === key.family && system === key.system);
  const own = homes.filter(({ deviceId, cableTypeId }) =>
    key.system === null ? project.cableTypes[cableTypeId].family === key.family : systemOf(project, deviceId) === key.system,
  );
  const counts = racks
    .map((rack) => [rack.name, own.filter(({ rackId }) => rackId === rack.id).length] as const)
    .flatMap(([rack, count]) => (count > 0 ? [`${rack}: ${count}`] : []))
    .join(', ');
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>
        <Select
          value={rule?.rackId ?? NEAREST}
          disabled={!mayPlan}
          aria-label={text('stage.headEnd.ruled', { what: name })}
          popupMatchSelectWidth={false}
          options={[
            { value: NEAREST, label: text('stage.headEnd.nearest') },
            ...racks.map((rack) => ({ value: rack.id, label: rack.name })),
          ]}
          onChange={(id) => onTake(id === NEAREST ? null : id)}
        />
      </td>
      <td>{counts}</td>
    </tr>
  );
}

const systemOf = (project: ProjectDocument, deviceId: string) => project.deviceTypes[project.devices[deviceId].typeId].system;

const titleOf = (project: ProjectDocument, { key, rackId }: Difference): string =>
  text('stage.headEnd.difference', {
    what: nameOf(project, key),
    to: rackId === null ? text('stage.headEnd.nearest').toLowerCase() : project.racks[rackId].name,
  });

function DifferenceDialog({
  difference,
  onApply,
  onCancel,
}: {
  readonly difference: Difference;
  readonly onApply: () => void;
  readonly onCancel: () => void;
}) {
  const project = useProject();
  const { units } = project.project;
  const { moved, kept, beforeM, afterM } = difference;
  const ways = new Map<string, { from: string; to: string; count: number }>();
  for (const { from, to } of moved) {
    const key = `${from.id} ${to.id}`;
    ways.set(key, { from: from.name, to: to.name, count: (ways.get(key)?.count ?? 0) + 1 });
  }
  return (
    <Modal
      open
      title={titleOf(project, difference)}
      okText={text('stage.headEnd.apply')}
      cancelText={text('cancel')}
      onOk={onApply}
      onCancel={onCancel}
    >
      {moved.length === 0 && <p>{text('stage.headEnd.movesNone')}</p>}
      {[...ways].map(([key, { count, from, to }]) => (
        <p key={key}>{text('stage.headEnd.moves', { count, from, to })}</p>
      ))}
      {moved.length > 0 && (
        <p>
          {text('stage.headEnd.cable', { before: formatCableLength(beforeM, units), after: formatCableLength(afterM, units) })}
        </p>
      )}
      {kept.length > 0 && (
        <p>{text('stage.headEnd.stays', { count: kept.length, numbers: kept.map(({ number }) => number).join(', ') })}</p>
      )}
    </Modal>
  );
}
