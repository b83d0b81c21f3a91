import { isMetallic } from '../model/index.ts';
import { atMost, reachOf } from '../calculators/index.ts';
import { defineCheck, say } from './check.ts';
import { useCable } from './cures.ts';

/** Planning lengths at 18 Gb/s, m: usual copper, thick copper, optical; and optical at 10.2 Gb/s, which no setting goes beyond. */
const COPPER_M = reachOf('passive', '18')!;
const THICK_COPPER_M = reachOf('passive-24awg', '18')!;
const OPTICAL_M = reachOf('active-optical', '18')!;
const MAX_OPTICAL_M = reachOf('active-optical', '10.2')!;

/** A video cable carries no farther than it is planned for (ENGINEERING 4). */
export const pictureReachCheck = defineCheck({
  id: 'picture-reach',
  title: 'Video cables carry their signal',
  source: `Trade practice: passive copper ${COPPER_M} m at 18 Gb/s, ${THICK_COPPER_M} m at best; optical ${OPTICAL_M} m (a certified label outranks it)`,
  calculators: ['picture-reach'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes'],
  limits: {
    copperM: { usual: COPPER_M, min: 3, max: THICK_COPPER_M, unit: 'm', safer: 'less' },
    opticalM: { usual: OPTICAL_M, min: 10, max: MAX_OPTICAL_M, unit: 'm', safer: 'less' },
  },
  ofRun: ({ run, length }, { project, limit }) => {
    const cable = project.cableTypes[run.cableTypeId];
    if (!length || cable.family !== 'hdmi') return [];
    const isCopper = isMetallic(cable);
    const longestM = isCopper ? limit('copperM') : limit('opticalM');
    const lengthM = length.cutLengthM;
    if (atMost(lengthM, longestM)) return [];
    // A thick certified lead may just do it: to be judged, not refused.
    const mayDo = isCopper && (cable.gaugeAwg ?? 99) <= 24 && atMost(lengthM, THICK_COPPER_M);
    return [
      say(
        mayDo ? 'look' : 'stop',
        'picture-too-long',
        [{ in: 'runs', id: run.id }],
        { number: run.number, cable: cable.name, lengthM, longestM },
        {
          measured: lengthM,
          allowed: longestM,
          unit: 'm',
          cures: (house) =>
            isCopper ? useCable(house, run.id, ({ family, material }) => family === 'hdmi' && material === 'fibre') : [],
        },
      ),
    ];
  },
});
