import type { CableType, DeviceType } from '@dusky-spool/core/model';

/** Cautions that belong to a kind of cable, where its ends are chosen. */
export const cautionsOfCable = ({ material, system, gaugeAwg }: CableType): readonly string[] =>
  material === 'fibre' ? ['C12'] : system === 'sound' && gaugeAwg !== null ? ['C2'] : [];

/** Cautions that belong to a kind of device, by the numbers of the reference. */
export function cautionsOf({ id, system, mount, mainsW, boxKind }: DeviceType): readonly string[] {
  const found = new Set<string>();
  const add = (...ids: string[]) => ids.forEach((one) => found.add(one));
  if (/aerial|dish/.test(id)) add('C5', 'C6', 'C18');
  if (/surge|bonding/.test(id)) add('C6', 'C1');
  if (/camera|door-station|gate-station/.test(id)) add('C15');
  if (/projector/.test(id)) add('C7', 'C12');
  else if (/display|screen|lift/.test(id)) add('C8');
  if (/access-point/.test(id)) add('C16');
  if (system === 'light') add('C19');
  if (system === 'shade') add('C22');
  if (system === 'sound' && mount === 'ceiling') add('C7');
  if (/subwoofer|theatre|front/.test(id)) add('C14');
  if (/lock|siren|alarm|smoke|code-reader|finger|door-opener/.test(id)) add('C9');
  if (boxKind === 'weatherproof' || /pool|outdoor/.test(id)) add('C20');
  if (mount === 'mast' || mount === 'soffit') add('C18');
  if (mainsW !== null) add('C1');
  return [...found];
}
