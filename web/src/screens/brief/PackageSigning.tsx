import type { PackageComparison } from '@dusky-spool/core/brief';
import { listOf } from '@dusky-spool/core/derive';
import { packageGaps } from '@dusky-spool/texts';
import { useState } from 'react';
import { createRecords } from '../../commands/create-records.ts';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { WordsField } from '../../ui/fields.tsx';
import { MakingButton } from '../../ui/MakingButton.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import css from './brief.module.css';

interface Props {
  readonly projectId: string;
  readonly comparison: PackageComparison;
}

/** The list of what the package lacks, to print and to sign; what came after a signature is said beside it. */
export function PackageSigning({ projectId, comparison }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const mayPlan = useRight('plan');
  const [name, setName] = useState('');
  const { lines } = packageGaps(project, comparison);
  const signatures = listOf(project, 'packageSignatures').toSorted((a, b) => (a.signedOn < b.signedOn ? 1 : -1));
  const signed = signatures[0];
  const known = new Set(signed?.lines);
  const added = signed ? lines.filter((line) => !known.has(line)).length : 0;
  const settled = signed ? signed.lines.filter((line) => !lines.includes(line)).length : 0;
  const sign = () => {
    const record = { id: newRecordId('ps'), signedBy: name.trim(), signedOn: today(), lines: [...lines] };
    if (edit(text('brief.packageSign'), createRecords('packageSignatures', [record]))) setName('');
  };
  return (
    <div className={css.packageSigning}>
      {signed && (
        <p>
          {text('brief.packageSigned', { name: signed.signedBy, day: signed.signedOn, count: signed.lines.length })}{' '}
          {(added > 0 || settled > 0) && <b>{text('brief.packageSince', { added, settled })}</b>}
        </p>
      )}
      <MakingButton
        label={text('brief.packagePrint')}
        path={`/projects/${projectId}/documents/package-gaps.pdf/job`}
        query={{ paper: project.project.units === 'imperial' ? 'Letter' : 'A4' }}
      />
      {mayPlan && (
        <>
          <WordsField label={text('brief.packageSigner')} value={name} max={60} onChange={setName} />
          <SmallButton disabled={name.trim() === ''} onClick={sign}>
            {text('brief.packageSign')}
          </SmallButton>
        </>
      )}
    </div>
  );
}
