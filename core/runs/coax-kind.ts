import type { CoaxKind } from '../calculators/index.ts';
import type { CableType } from '../model/index.ts';

/** The kind of a coax cable by its name, RG6 where nothing else is said; null for what is no coax. */
export function coaxKindOf({ family, id, name }: Pick<CableType, 'family' | 'id' | 'name'>): CoaxKind | null {
  if (family !== 'coax') return null;
  const text = `${id} ${name}`.toLowerCase();
  return text.includes('rg11') ? 'rg11' : text.includes('rg59') ? 'rg59' : 'rg6';
}
