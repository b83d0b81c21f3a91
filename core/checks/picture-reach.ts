import { defineCheck, say } from './check.ts';
import { useCable } from './cures.ts';

/** A picture lead carries no farther than it is planned for (ENGINEERING 4). */
export const pictureReachCheck = defineCheck({
  id: 'picture-reach',
  title: 'Picture leads carry their signal',
  source: 'practice: passive copper 5 m at 18 Gb/s, 7.5 m at best; optical 50 m (a certified label outranks it)',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  limits: {
    copperM: { usual: 5, least: 3, most: 7.5, unit: 'm', safer: 'less' },
    opticalM: { usual: 50, least: 10, most: 100, unit: 'm', safer: 'less' },
  },
  ofRun: ({ run, length }, { document, limit }) => {
    const cable = document.cableTypes[run.cableTypeId];
    if (!length || cable.family !== 'hdmi') return [];
    const isCopper = cable.material !== 'fibre';
    const longestM = isCopper ? limit('copperM') : limit('opticalM');
    const lengthM = length.cutLengthM;
    if (lengthM <= longestM * (1 + 1e-9)) return [];
    // A thick certified lead may just do it: to be judged, not refused.
    const mayDo = isCopper && (cable.gaugeAwg ?? 99) <= 24 && lengthM <= 7.5;
    return [
      say(
        'picture-reach',
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
