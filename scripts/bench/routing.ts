import { edited, withRecords } from '../../core/derive/index.ts';
import { buildGranary } from '../../demo/build/granary.ts';
import { moveDevices, placeDevice } from '../../core/devices/index.ts';
import { attachmentOf } from '../../core/house/index.ts';
import { type ProjectDocument, readProjectFile } from '../../core/model/index.ts';
import { plainRouteCost } from '../../core/routing/plain-route.ts';
import { rackPlace, routeDevice, entriesFrom } from '../../core/routing/index.ts';
import { type PullingWork, pullingWork } from '../../core/pathways/index.ts';
import { groupSchedule, plainSchedule, type ScheduleRow } from '../../core/sheets/index.ts';
import { compareNumbers, plannedRun, planRuns, proposeSharedRoutes, routeNetwork } from '../../core/runs/index.ts';
import { houseOf } from './wired.ts';
import { figure, type Figure, percentile } from './figure.ts';
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** The granary grown to 150 runs. */
function houseOf150(): ProjectDocument {
  let { project } = buildGranary({ shortId: '7K3MQ', name: 'Bench', description: '', client: '', address: '' });
  for (let n = 0; Object.keys(project.runs).length < 150; n++) {
    const at: [number, number] = [0.8 + ((n * 1.7) % 16), 0.9 + ((n * 2.3) % 8)];
    const placed = placeDevice(
      project,
      { typeId: 'ceiling-speaker', levelId: n % 2 ? 'level_m' : 'level_u', at },
      { device: `bench_${n}`, run: () => `benchrun_${n}` },
    );
    if (!placed.ok) throw new Error(placed.problem.code);
    const applied = edited(project, placed.value.operations);
    if (!applied.ok) throw new Error(applied.problem.code);
    project = applied.value;
  }
  return project;
}

/** Moves one device after the other and plans all runs again: what the client does between pointer and picture. */
export function benchRouting(): Figure[] {
  let project = houseOf150();
  planRuns(project);
  const ids = Object.values(project.devices)
    .filter((device) => project.deviceTypes[device.typeId].mount === 'ceiling')
    .map((device) => device.id);
  const samples: number[] = [];
  for (let n = 0; n < 600; n++) {
    const device = project.devices[ids[n % ids.length]];
    const start = performance.now();
    const moved = moveDevices(project, [{ deviceId: device.id, to: [device.x + (n % 2 ? -0.05 : 0.05), device.y] }]);
    if (!moved.ok) throw new Error(moved.problem.code);
    const applied = edited(project, moved.value);
    if (!applied.ok) throw new Error(applied.problem.code);
    project = applied.value;
    planRuns(project);
    if (n >= 100) samples.push(performance.now() - start);
  }
  const runs = Object.keys(project.runs).length;
  return [
    ...fromScratch(),
    ...edits(),
    ...growth(),
    ...schedule(),
    ...memory(),
    ...shared(),
    figure('routing', `reroute of one moved device, ${runs} runs, 95th percentile`, percentile(samples, 0.95), 'ms', 8),
    figure('routing', `reroute of one moved device, ${runs} runs, median`, percentile(samples, 0.5), 'ms'),
    figure('routing', 'plain reference: network and every route from nothing', reference(project), 'ms'),
  ];
}

/** What a program without memory would do on each move. */
function reference(project: ProjectDocument): number {
  const samples: number[] = [];
  for (let n = 0; n < 5; n++) {
    const copy = structuredClone(project);
    const start = performance.now();
    const network = routeNetwork(copy);
    for (const run of Object.values(copy.runs)) {
      const { levelId, x, y, heightM, typeId } = copy.devices[run.deviceId];
      // A rack of its own for each run, so that no tree of ways is shared.
      const rack = { ...copy.racks[run.rackId], id: `${run.rackId}_${run.id}` };
      routeDevice(network, { levelId, x, y, heightM, mount: attachmentOf(copy.deviceTypes[typeId]) }, rack);
    }
    samples.push(performance.now() - start);
  }
  return percentile(samples, 0.5);
}

/** The best of three: what a neighbour on the machine takes is not counted. */
function minMs(task: () => void): number {
  return Math.min(
    ...[1, 2, 3].map(() => {
      const start = performance.now();
      task();
      return performance.now() - start;
    }),
  );
}

/** 2 000 runs on four levels from nothing, beside A* for each run alone on the same network. */
function fromScratch(): Figure[] {
  const house = houseOf(2000);
  let planned = planRuns(structuredClone(house));
  const all = minMs(() => (planned = planRuns(structuredClone(house))));
  const network = routeNetwork(house);
  const ends = entriesFrom(network, rackPlace(house.racks.rack));
  if (!ends.ok) throw new Error(ends.problem.code);
  const some = planned.filter((_, n) => n % 50 === 0);
  let dearer = 0;
  const start = performance.now();
  for (const { device, proposedRoute } of some) {
    const { levelId, x, y, heightM } = device;
    const starts = entriesFrom(network, { levelId, x, y, heightM, mount: attachmentOf(house.deviceTypes[device.typeId]) });
    if (!starts.ok || !proposedRoute.ok) throw new Error('no way');
    const costM = plainRouteCost(network, starts.value, ends.value);
    if (proposedRoute.value.costM > costM + 1e-6) dearer++;
  }
  const alone = ((performance.now() - start) / some.length) * planned.length;
  return [
    figure('routing', '2 000 runs on four levels from scratch, network and all, best of 3', all / 1000, 's', 1.5),
    figure('routing', 'plain reference: each run alone by A* on the same network (40 of them measured)', alone / 1000, 's'),
    figure('routing', 'times as fast', alone / all, 'x'),
    figure('routing', 'runs of these that cost more than by A*', dearer, 'runs', 0),
  ];
}

/** A device and a wall moved in a house of 2 000 runs. */
function edits(): Figure[] {
  let house = houseOf(2000);
  planRuns(house);
  const ids = Object.keys(house.devices);
  const moved: number[] = [];
  for (let n = 0; n < 240; n++) {
    const device = house.devices[ids[(n * 53) % ids.length]];
    const operations = moveDevices(house, [{ deviceId: device.id, to: [device.x + 0.01 * (n % 20), device.y] }]);
    if (!operations.ok) throw new Error(operations.problem.code);
    const applied = edited(house, operations.value);
    if (!applied.ok) throw new Error(applied.problem.code);
    const run = Object.values(applied.value.runs).find(({ deviceId }) => deviceId === device.id);
    const start = performance.now();
    if (run) plannedRun(applied.value, run.id);
    if (n >= 40) moved.push(performance.now() - start);
    house = applied.value;
  }
  const walls: number[] = [];
  planRuns(house);
  for (let n = 0; n < 12; n++) {
    const wall = house.walls[`w${String(1900 + n).padStart(5, '0')}`];
    const there = { ...wall, b: [wall.b[0], wall.b[1] + 0.05] as [number, number] };
    house = withRecords(house, 'walls', [there]);
    const start = performance.now();
    const network = routeNetwork(house);
    routeDevice(network, { levelId: 'l0', x: 1, y: 1, heightM: null, mount: 'ceiling' }, house.racks.rack);
    if (n >= 2) walls.push(performance.now() - start);
  }
  return [
    figure(
      'routing',
      'a device moved in a house of 2 000 runs: its way and length, 95th percentile',
      percentile(moved, 0.95),
      'ms',
      8,
    ),
    figure('routing', 'a wall moved there: network and ways to the rack, median', percentile(walls, 0.5), 'ms', 100),
  ];
}

function growth(): Figure[] {
  return [250, 1000, 4000].map((count) => {
    const house = houseOf(count);
    return figure(
      'routing',
      `${count} runs from scratch, best of 3`,
      minMs(() => planRuns(structuredClone(house))),
      'ms',
    );
  });
}

/** The schedule of 5 000 rows: made from its routes, then filtered and grouped as the screen does at a key. */
function schedule(): Figure[] {
  const house = houseOf(5000);
  planRuns(house);
  let rows: readonly ScheduleRow[] = [];
  const made = minMs(() => (rows = plainSchedule(house, { outdoors: 'Outdoors' })));
  const looked = minMs(() => {
    const found = rows.filter((row) =>
      `${row.number} ${row.from} ${row.to} ${row.cable} ${row.bundle}`.toLowerCase().includes('cat'),
    );
    found.sort((a, b) => compareNumbers(a.number, b.number));
    groupSchedule(found, 'bundle');
  });
  return [
    figure('routing', `schedule of ${rows.length} rows made from its routes`, made, 'ms'),
    figure('routing', 'the same filtered, sorted and grouped', looked, 'ms', 100),
  ];
}

/** What the worker keeps of 4 000 runs, beside what the house itself takes. */
function memory(): Figure[] {
  const file = join(import.meta.dirname, 'memory.ts');
  const { stdout } = spawnSync(process.execPath, ['--expose-gc', '--import', 'tsx', file, '4000'], { encoding: 'utf8' });
  const { houseMb, keptMb } = JSON.parse(stdout) as { houseMb: number; keptMb: number };
  return [
    figure('routing', 'memory that routes, checks and schedule of 4 000 runs keep', keptMb, 'MB', 300),
    figure('routing', 'reference: the house and the program before', houseMb, 'MB'),
  ];
}

/** Limits of bored places in joists and studs, as a share of those of each run on its own, %. */
const SHARES: Readonly<Record<string, number | undefined>> = {
  'saltmarsh-granary': 45,
  'merrowfen-landing': 45,
  'tollgate-cottage': 60,
  'ropewalk-flat': undefined,
  'big house, 2 000 runs': 25,
};

/** A house with all its runs still to be routed, each on its own. */
function drafted(project: ProjectDocument): ProjectDocument {
  const runs = Object.entries(project.runs).map(([id, run]) => [id, { ...run, state: 'drafted' }] as const);
  return structuredClone({
    ...project,
    project: { ...project.project, sharedRoutes: false },
    runs: Object.fromEntries(runs),
    routes: {},
    trunks: {},
  }) as ProjectDocument;
}

/** Rounds of the lower bound on the work of shared routes. */
const BOUND_ROUNDS = 40;

const routedM = (project: ProjectDocument) =>
  planRuns(project).reduce((sum, { length }) => sum + (length ? length.riseM + length.runM + length.dropM : 0), 0);

/** Bored places, cable and hours of shared routes against each run on its own (the plain reference), in five houses. */
function shared(): Figure[] {
  const demo = ['saltmarsh-granary', 'merrowfen-landing', 'tollgate-cottage', 'ropewalk-flat'].map((name) => {
    const read = readProjectFile(readFileSync(join(import.meta.dirname, `../../demo/${name}.spool.json`), 'utf8'));
    if (!read.ok) throw new Error(read.problem.code);
    return [name, drafted(read.value.project)] as const;
  });
  return [...demo, ['big house, 2 000 runs', drafted(houseOf(2000))] as const].flatMap(([name, apart]) => {
    const alone = pullingWork(apart, planRuns(apart));
    const start = performance.now();
    const { operations, together, boundM } = proposeSharedRoutes(apart, () => 'trunk');
    const searched = (performance.now() - start) / 1000;
    const tidied = edited(apart, operations);
    if (!tidied.ok) throw new Error(tidied.problem.code);
    const main = structuredClone({ ...apart, project: { ...apart.project, sharedRoutes: true } }) as ProjectDocument;
    const share = (work: PullingWork) => (alone.framePlaces > 0 ? (100 * work.framePlaces) / alone.framePlaces : 100);
    const [then, first] = [pullingWork(tidied.value, planRuns(tidied.value)), pullingWork(main, planRuns(main))];
    const platesOf = (work: PullingWork) => work.places - work.framePlaces;
    const more = 100 * (routedM(tidied.value) / routedM(apart) - 1);
    return [
      figure(
        'routing',
        `tidied: bored joist and stud places, ${name}: ${then.framePlaces} of ${alone.framePlaces}`,
        share(then),
        '%',
        SHARES[name],
      ),
      figure('routing', `main routes of a new project, ${name}: ${first.framePlaces} places`, share(first), '%'),
      figure('routing', `tidied: cable more, ${name}`, more, '%', 10),
      figure('routing', `tidied: other bored places, ${name} (before: ${platesOf(alone)})`, platesOf(then), '', platesOf(alone)),
      figure(
        'routing',
        `tidied: hours, ${name} (before: ${alone.hours.toFixed(1)}; ${alone.pulls} pulls, then ${then.pulls})`,
        then.hours,
        'h',
        alone.hours,
      ),
      figure('routing', `search for tidy routes, ${name}`, searched, 's', 3),
      // In the big house each round of the bound takes minutes.
      ...(Object.keys(apart.runs).length > 500
        ? []
        : [figure('routing', `work over its lower bound, ${name}`, 100 * (together.totalM / boundM(BOUND_ROUNDS) - 1), '%')]),
    ];
  });
}
