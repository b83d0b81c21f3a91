import { formatCableLength } from '@dusky-spool/core/math';
import { useProject } from '../../state/open-project.ts';

/** A length of cable in the units of the project. */
export const LengthText = ({ valueM }: { readonly valueM: number }) => (
  <>{formatCableLength(valueM, useProject().project.units)}</>
);
