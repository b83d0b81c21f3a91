import { listOf } from '../derive/index.ts';
import type { CableType, ProjectDocument } from '../model/index.ts';
import { defineCheck, say } from './check.ts';
import { useCable } from './cures.ts';

/** Copper-clad aluminium carries no data, power, security or light (ENGINEERING 1.1, section 21). */
export const copperClad = defineCheck({
  id: 'copper-clad',
  title: 'No copper-clad aluminium where it is unsafe',
  source: 'ANSI/TIA-568, ISO/IEC 11801, UL 444: solid copper',
  calculators: ['conductor-material'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes'],
  safety: true,
  ofRun: ({ run }, { project }) => {
    const cable = project.cableTypes[run.cableTypeId];
    // Speaker cable is judged with its loss.
    if (cable.material !== 'cca' || cable.system === 'sound') return [];
    return [
      say(
        'stop',
        'clad-aluminium',
        [{ in: 'runs', id: run.id }],
        { number: run.number, cable: cable.name },
        {
          cures: (house) => {
            const solid = alikeIn(house, cable);
            return solid ? useCable(house, run.id, ({ id }) => id === solid.id) : [];
          },
        },
      ),
    ];
  },
});

/** The cable of solid copper that is most like one: of its family and jacket, as thick, with as many conductors. */
function alikeIn(house: ProjectDocument, cable: CableType): CableType | undefined {
  const unlike = (other: CableType) =>
    (other.rating === cable.rating ? 0 : 1) + Math.abs(other.outsideDiameterM - cable.outsideDiameterM) / cable.outsideDiameterM;
  return listOf(house, 'cableTypes')
    .filter(
      (other) =>
        other.material === 'copper' &&
        other.family === cable.family &&
        other.conductors >= cable.conductors &&
        (other.gaugeAwg ?? 99) <= (cable.gaugeAwg ?? 99),
    )
    .sort((a, b) => unlike(a) - unlike(b))[0];
}
