import { createRecords } from '../../commands/create-records.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { comparePackage, type PackageDifference, type PackageWork, placeOf, readPackage } from '@dusky-spool/core/brief';
import { BRIEF_TOPICS, PACKAGE_PARTS, type PackageLine, PARTIES } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { packageThing } from '@dusky-spool/texts';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { PlaceField } from '../../ui/PlaceField.tsx';
import { useState } from 'react';
import { useParams } from 'react-router';
import { Button, Input } from 'antd';
import { PackageSigning } from './PackageSigning.tsx';
import css from './brief.module.css';

/** What the builder includes against what the client wants, part by part, and who does the work. */
export function BuildersPackage() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { projectId = '' } = useParams();
  const [typed, setTyped] = useState('');
  const comparison = comparePackage(project);
  const { missing, beyond, work, unclear } = comparison;
  const lines = listOf(project, 'packageLines');
  const sayPart = ({ wanted, included, ...difference }: PackageDifference) =>
    `${packageThing(difference)} ${text('brief.includedOf', { wanted, included })}`;
  const byPlace = (differences: readonly PackageDifference[]) =>
    [...new Set(differences.map(({ placeId }) => placeId))].map((placeId) => (
      <li key={placeId}>
        <b>{placeOf(project, placeId)?.name ?? text('brief.wholeHouse')}</b>{' '}
        {differences
          .filter((one) => one.placeId === placeId)
          .map(sayPart)
          .join('; ')}
      </li>
    ));
  const workOf = ({ line, task, by }: PackageWork) => (
    <li key={`${line.id}${task}`}>
      <b>{line.words}</b> {text('brief.workBy', { task: term(`packageTasks.${task}`), by: term(`parties.${by}`).toLowerCase() })}
    </li>
  );
  return (
    <section className={css.briefPage} aria-label={text('brief.views.package')}>
      <p className="faint">{text('brief.packageLead')}</p>
      <Input.TextArea
        rows={4}
        value={typed}
        aria-label={text('brief.packageLines')}
        placeholder={text('brief.packagePaste')}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.stopPropagation()}
      />
      <Button
        disabled={typed.trim() === ''}
        onClick={() => {
          const read = readPackage(project, typed, () => newRecordId('pl'));
          if (edit(text('brief.packageRead'), createRecords('packageLines', read))) setTyped('');
        }}
      >
        {text('brief.packageRead')}
      </Button>
      {lines.length > 0 && <PackageSigning {...{ projectId, comparison }} />}
      {lines.length > 0 && (
        <div className={css.packageResult}>
          <div>
            <h3 className="eyebrow">{text('brief.packageMissing', { count: missing.length })}</h3>
            <ul>{byPlace(missing)}</ul>
          </div>
          <div>
            <h3 className="eyebrow">{text('brief.packageBeyond', { count: beyond.length })}</h3>
            <ul>{byPlace(beyond)}</ul>
          </div>
          <div>
            <h3 className="eyebrow">{text('brief.packageWork', { count: work.length })}</h3>
            <ul>{work.map(workOf)}</ul>
          </div>
        </div>
      )}
      {unclear.length > 0 && <p className="finding look">{text('brief.packageUnclear', { count: unclear.length })}</p>}
      {lines.map((line) => (
        <PackageRow key={line.id} line={line} />
      ))}
    </section>
  );
}

function PackageRow({ line }: { readonly line: PackageLine }) {
  const edit = useProjectStore((state) => state.edit);
  const change = (after: Partial<PackageLine>) => {
    const operations = changeRecord('packageLines', line, after);
    if (operations.length > 0) edit(text('brief.views.package'), operations);
  };
  return (
    <div className={`${css.briefRow} ${css.packageRow}`}>
      <span className={css.packageWords}>{line.words}</span>
      <ChoiceField
        label={text('brief.topic')}
        value={line.topic ?? ''}
        options={[
          { value: '', label: text('brief.unclear') },
          ...BRIEF_TOPICS.map((value) => ({ value, label: term(`topics.${value}`) })),
        ]}
        onChange={(topic) => change({ topic: topic === '' ? null : topic })}
      />
      <PlaceField value={line} onChange={change} />
      <ChoiceField
        label={text('brief.part')}
        value={line.part}
        options={PACKAGE_PARTS.map((value) => ({ value, label: term(`packageParts.${value}`) }))}
        onChange={(part) => change({ part })}
      />
      {(['suppliedBy', 'fittedBy', 'programmedBy'] as const).map((field) => (
        <ChoiceField
          key={field}
          label={text(`brief.${field}`)}
          value={line[field]}
          options={PARTIES.map((value) => ({ value, label: term(`parties.${value}`) }))}
          onChange={(party) => change({ [field]: party })}
        />
      ))}
      <NumberField label={text('brief.count')} value={line.count} min={0} max={999} onChange={(count) => change({ count })} />
      <Button onClick={() => edit(text('brief.remove'), removeRecords('packageLines', [line]))}>{text('brief.remove')}</Button>
    </div>
  );
}
