import { useProject } from '../../state/open-project.ts';
import { LABOUR_NAMES, type Operation, updateProject } from '@dusky-spool/core/model';
import { factorsOf } from '@dusky-spool/core/pathways';
import { text } from '../../ground/text.ts';
import { FactorFields } from './FactorFields.tsx';

interface Props {
  readonly onEdit: (title: string, operations: readonly Operation[]) => void;
}

/** The hours of boring and pulling in this project: the usual ones, with what the firm has changed. */
export function LabourFields({ onEdit }: Props) {
  const header = useProject().project;
  return (
    <FactorFields
      title={text('ways.labour')}
      hint={text('ways.labourHint')}
      names={LABOUR_NAMES}
      labelOf={(name) => text(`ways.labourNames.${name}`)}
      usual={factorsOf({ project: { ...header, labour: {} } })}
      changed={header.labour}
      max={100}
      onChange={(labour) => {
        const operation = updateProject(header, { labour });
        if (operation) onEdit(text('ways.labour'), [operation]);
      }}
    />
  );
}
