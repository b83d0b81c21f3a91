import { useProject } from '../../state/open-project.ts';
import { type Operation, updateProject, WEIGHT_NAMES } from '@dusky-spool/core/model';
import { BARRED_M, weightsOf } from '@dusky-spool/core/routing';
import { text } from '../../ground/text.ts';
import { FactorFields } from './FactorFields.tsx';

interface Props {
  readonly onEdit: (title: string, operations: readonly Operation[]) => void;
}

/** What a route costs in this project, in metres of cable: as its construction has it, with what the firm has changed. */
export function WeightFields({ onEdit }: Props) {
  const header = useProject().project;
  return (
    <FactorFields
      title={text('ways.weights')}
      hint={text('ways.weightsHint')}
      names={WEIGHT_NAMES}
      labelOf={(name) => text(`ways.weightNames.${name}`)}
      usual={weightsOf({ ...header, routeWeights: {} })}
      changed={header.routeWeights}
      max={1000}
      barredFrom={BARRED_M}
      onChange={(routeWeights) => {
        const operation = updateProject(header, { routeWeights });
        if (operation) onEdit(text('ways.weights'), [operation]);
      }}
    />
  );
}
