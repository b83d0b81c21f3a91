import { linkLengthM } from '../calculators/index.ts';
import type { Outcome } from '../math/index.ts';
import type { CableType, ProjectDocument } from '../model/index.ts';
import { defineCheck, say } from './check.ts';
import { useCable } from './cures.ts';

/** The longest link of a category cable at the temperature of the project, m. Problems: those of `linkLengthM`. */
export const warmLinkM = (project: Pick<ProjectDocument, 'project'>, { name }: Pick<CableType, 'name'>): Outcome<number> =>
  linkLengthM(Math.min(60, project.project.ambientC), /foil|screen/i.test(name));

/** Category cable carries no farther than its link may be (ENGINEERING 3.1). */
export const dataLength = defineCheck({
  id: 'data-length',
  title: 'Network cable is no longer than its link may be',
  source: 'ANSI/TIA-568, ISO/IEC 11801: link 90 m, less by temperature; warning at 85 m by trade practice',
  calculators: ['data-link'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'project'],
  limits: {
    longestM: { usual: 90, min: 30, max: 90, unit: 'm', safer: 'less' },
    warnM: { usual: 85, min: 20, max: 90, unit: 'm', safer: 'less' },
  },
  ofRun: ({ run, length }, { project, limit }) => {
    const cable = project.cableTypes[run.cableTypeId];
    if (!length || cable.family !== 'cat') return [];
    const warm = warmLinkM(project, cable);
    const longestM = Math.min(limit('longestM'), warm.ok ? warm.value : 0);
    const lengthM = length.riseM + length.runM + length.dropM + length.deviceSlackM + length.rackSlackM;
    const warnM = Math.min(limit('warnM'), longestM);
    if (lengthM <= warnM * (1 + 1e-9)) return [];
    const isOver = lengthM > longestM * (1 + 1e-9);
    return [
      say(
        isOver ? 'stop' : 'look',
        isOver ? 'data-too-long' : 'data-near-long',
        [{ in: 'runs', id: run.id }],
        { number: run.number, cable: cable.name, lengthM, longestM },
        {
          measured: lengthM,
          allowed: isOver ? longestM : warnM,
          unit: 'm',
          cures: (house) => useCable(house, run.id, ({ family }) => family === 'fibre'),
        },
      ),
    ];
  },
});
