import type { LayerState } from '@dusky-spool/core/house';

/** What a layer of a drawing means to the survey. */
export const ROLES = ['walls', 'openings', 'furniture', 'marks', 'text', 'underlay', 'leave'] as const;
export type Role = (typeof ROLES)[number];

/** What a layer's name usually means; one that was not shown where it was drawn is left out. */
export function guessRole({ name, isOff, isFrozen }: Pick<LayerState, 'isOff' | 'isFrozen'> & { readonly name: string }): Role {
  if (isOff || isFrozen) return 'leave';
  const word = name.toLowerCase();
  if (/wall|wand|mur|parti/.test(word)) return 'walls';
  if (/door|window|glaz|opening|tür|fenster/.test(word)) return 'openings';
  if (/furn|equip|möb/.test(word)) return 'furniture';
  if (/elec|socket|outlet|light|switch|mark|pipe|plumb|hvac/.test(word)) return 'marks';
  if (/text|anno|dim|note|name/.test(word)) return 'text';
  return 'underlay';
}
