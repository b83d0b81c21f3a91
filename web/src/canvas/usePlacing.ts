import type { Outcome } from '@dusky-spool/core/math';
import type { Operation } from '@dusky-spool/core/model';
import { text } from '../ground/text.ts';
import { useProjectParts } from '../state/project.ts';
import type { Selection } from '../state/selection-kinds.ts';

/** Devices with the operations that create them, or why they cannot be placed. */
export type Placed = Outcome<{
  readonly operations: readonly Operation[];
  readonly devices: readonly { readonly id: string }[];
  /** What is selected where it is not the devices. */
  readonly select?: Selection;
}>;

/** Places devices as one edit and selects them; whether it was made. */
export function usePlacing(onSelect: (selection: Selection) => void): (name: string, placed: Placed) => boolean {
  const { edit } = useProjectParts('edit');
  return (name, placed) => {
    const title = text('edit.place', { name: name.toLowerCase() });
    if (!edit(title, placed.ok ? placed.value.operations : placed) || !placed.ok) return false;
    onSelect(placed.value.select ?? { kind: 'device', ids: placed.value.devices.map(({ id }) => id) });
    return true;
  };
}
