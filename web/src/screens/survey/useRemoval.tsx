import { hasNoEffects, type EditEffects } from '@dusky-spool/core/deltas';
import type { Outcome } from '@dusky-spool/core/math';
import type { Operation } from '@dusky-spool/core/model';
import { useState } from 'react';
import { askEffects } from '../../state/derived.ts';
import { RemovalDialog } from './RemovalDialog.tsx';

interface Waiting {
  readonly operations: readonly Operation[];
  readonly effects: EditEffects;
}

/** Deletes at once where nothing else changes by it; else says first what does, and asks. */
export function useRemoval(remove: (operations: Outcome<readonly Operation[]>) => void) {
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const ask = async (operations: Outcome<readonly Operation[]>) => {
    // Only an edit of a wall can change more than what goes.
    const mayDoMore = operations.ok && operations.value.some(({ in: table }) => table === 'rooms' || table === 'devices');
    const effects = mayDoMore ? await askEffects(operations.value) : null;
    if (!effects || !operations.ok || hasNoEffects(effects)) return remove(operations);
    setWaiting({ operations: operations.value, effects });
  };
  const dialog = waiting && (
    <RemovalDialog
      effects={waiting.effects}
      onCancel={() => setWaiting(null)}
      onRemove={() => {
        setWaiting(null);
        remove({ ok: true, value: waiting.operations });
      }}
    />
  );
  return { ask, dialog };
}
