import type { Problem } from '@dusky-spool/core/math';
import { useProjectStore } from './project.ts';

/** Does what writes a field; why it was refused, or null where it was not. */
export function refusalOf(write: () => void): Problem | null {
  const before = useProjectStore.getState().refusal;
  write();
  const after = useProjectStore.getState().refusal;
  return after !== null && after !== before ? after.problem : null;
}
