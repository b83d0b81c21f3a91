import { atticHeightAt, BUILDING, DRILL_M } from '../house/index.ts';
import { each } from '../derive/index.ts';
import { type ProjectDocument, sameValue } from '../model/index.ts';
import { holesOfRun, PLANNED_RUN } from '../runs/index.ts';
import { numbersOf } from './beside.ts';
import { defineCheck, say } from './check.ts';

/** A plate that a run bores where the roof leaves no room for a drill over it. */
interface LowPlate {
  readonly runId: string;
  readonly number: string;
  readonly wallId: string;
  /** Clear height over the plate, m. */
  readonly heightM: number;
}

const NONE: readonly LowPlate[] = [];
/** The drill stands this far to the side of the plate at the most, m. */
const ASIDE_M = 0.1;

/** Plates of each run that lie too low under a roof. */
const LOW_PLATES = each<'runs', readonly LowPlate[]>({
  name: 'low plates of a run',
  over: 'runs',
  tables: ['features', 'levels', 'project', 'cableTypes', 'rooms', 'walls'],
  nodes: [BUILDING],
  beside: [PLANNED_RUN],
  make: ({ id, number }, read) => {
    const roofs = read.rows('features').filter(({ kind, pitchRad }) => kind === 'attic' && pitchRad !== null);
    if (roofs.length === 0) return NONE;
    const found = holesOfRun(read.project, read.one(PLANNED_RUN, id)!).flatMap(({ member, wallId, at }) => {
      if (member !== 'top-plate' || wallId === null) return [];
      const { levelId } = read.project.walls[wallId];
      const heights = roofs
        .filter((roof) => roof.levelId === levelId)
        .flatMap((roof) =>
          [-ASIDE_M, 0, ASIDE_M].flatMap((dx) =>
            [-ASIDE_M, 0, ASIDE_M].flatMap((dy) => atticHeightAt(roof, [at[0] + dx, at[1] + dy]) ?? []),
          ),
        );
      const heightM = Math.max(...heights);
      return heights.length > 0 && heightM < DRILL_M - 1e-6 ? [{ runId: id, number, wallId, heightM }] : [];
    });
    return found.length > 0 ? found : NONE;
  },
  alike: sameValue,
});

/** A plate is bored where somebody with a drill fits: at the eaves the roof is too low (practice A06, A39). */
export const drillRoom = defineCheck({
  id: 'drill-room',
  title: 'Plates are bored where a drill fits over them',
  source: 'Geometry of roof and plate; trade practice: 0.45 m for a drill with its bit',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'walls',
  reads: ['project', 'walls', 'levels'],
  nodes: [LOW_PLATES],
  safety: true,
  run: ({ project, read }) => {
    const byWall = new Map<string, LowPlate[]>();
    for (const one of read.all(LOW_PLATES).flat()) byWall.set(one.wallId, [...(byWall.get(one.wallId) ?? []), one]);
    return [...byWall].map(([wallId, those]) => {
      const heightM = Math.min(...those.map((one) => one.heightM));
      const isOpen = isFromBelow(project);
      return say(
        isOpen ? 'look' : 'stop',
        isOpen ? 'eave-from-below' : 'eave-no-room',
        [
          { in: 'walls', id: wallId },
          ...[...new Set(those.map(({ runId }) => runId))].map((id) => ({ in: 'runs' as const, id })),
        ],
        {
          number: project.levels[project.walls[wallId].levelId].code,
          runs: numbersOf(those.map(({ number }) => number)),
          heightM,
          needM: DRILL_M,
        },
        { measured: heightM, allowed: DRILL_M, unit: 'm' },
      );
    });
  },
});

/** In open framing a plate is bored from the bay below it. */
const isFromBelow = ({ project }: Pick<ProjectDocument, 'project'>) => project.construction === 'new-framing';
