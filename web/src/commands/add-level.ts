import { levelsFromBelow } from '@dusky-spool/core/house';
import { create, newLevel, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

/** A level on top of the highest one, as high as that, with a code that is free. `nameOf` names it by its number. */
export function addLevel(
  project: ProjectDocument,
  { id, nameOf }: { readonly id: string; readonly nameOf: (number: number) => string },
): Operation[] {
  const levels = levelsFromBelow(project);
  const top = levels[levels.length - 1];
  const order = top.order + 1;
  const codes = new Set(levels.map(({ code }) => code));
  let n = order + 1;
  while (codes.has(`L${n}`)) n++;
  const level = newLevel({
    id,
    code: `L${n}`,
    name: nameOf(n),
    order,
    elevationM: top.elevationM + top.ceilingHeightM + top.cavityDepthM,
    ceilingHeightM: top.ceilingHeightM,
    cavityDepthM: top.cavityDepthM,
    gridAngleRad: top.gridAngleRad,
  });
  return [create('levels', level)];
}
