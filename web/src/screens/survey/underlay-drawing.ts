import { pictureToPlan } from '@dusky-spool/core/house';
import type { PictureInfo, Underlay } from '@dusky-spool/core/model';
import { linesOf } from './useUnderlayLines.ts';

/** Header of a drawing in metres. */
const METRES = ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', '6', '0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES'];

/** The lines of a vector plan that lies below a level as a drawing in metres of the plan, so that its walls can be found in it. */
export async function underlayDrawing(projectId: string, underlay: Underlay, picture: PictureInfo): Promise<File> {
  const out = [...METRES];
  for (const [p, q] of await linesOf(projectId, picture)) {
    const [a, b] = [pictureToPlan(underlay, p), pictureToPlan(underlay, q)];
    out.push('0', 'LINE', '8', '0', '10', a[0].toFixed(6), '20', a[1].toFixed(6), '11', b[0].toFixed(6), '21', b[1].toFixed(6));
  }
  return new File([[...out, '0', 'ENDSEC', '0', 'EOF'].join('\n')], underlay.name);
}
