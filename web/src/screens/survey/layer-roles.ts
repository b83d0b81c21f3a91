import { isNamedForWalls, type LayerState } from '@dusky-spool/core/house';

/** What a layer of a drawing means to the survey. */
export const ROLES = ['walls', 'openings', 'furniture', 'marks', 'text', 'underlay', 'leave'] as const;
export type Role = (typeof ROLES)[number];

/** What a layer's name usually means; one that was not shown where it was drawn is left out. */
export function guessRole({ name, isOff, isFrozen }: Pick<LayerState, 'isOff' | 'isFrozen'> & { readonly name: string }): Role {
  if (isOff || isFrozen) return 'leave';
  if (isNamedForWalls(name)) return 'walls';
  const word = name.toLowerCase();
  if (/door|window|glaz|opening|tür|fenster/.test(word)) return 'openings';
  if (/furn|equip|möb/.test(word)) return 'furniture';
  if (/elec|socket|outlet|light|switch|mark|pipe|plumb|hvac/.test(word)) return 'marks';
  if (/text|anno|dim|note|name/.test(word)) return 'text';
  return 'underlay';
}

/**
 * What the layers of a drawing usually mean. Where none is named for walls, they are looked for among the lines of the fullest layer
 * whose name says nothing, such as layer 0.
 */
export function guessRoles(
  layers: readonly (Pick<LayerState, 'isOff' | 'isFrozen'> & { readonly name: string; readonly lines: ArrayLike<number> })[],
): Record<string, Role> {
  const roles = Object.fromEntries(layers.map((layer) => [layer.name, guessRole(layer)]));
  if (layers.some(({ name }) => roles[name] === 'walls')) return roles;
  const fullest = layers
    .filter(({ name, lines }) => roles[name] === 'underlay' && lines.length > 0)
    .sort((a, b) => b.lines.length - a.lines.length)[0];
  return fullest ? { ...roles, [fullest.name]: 'walls' } : roles;
}
