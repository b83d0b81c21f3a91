import { buildGranary } from '../../demo/build/granary.ts';
import { moveDevices, placeDevice } from '../../core/devices/index.ts';
import { attachmentOf, buildingOf } from '../../core/building/index.ts';
import { applyChange, type ProjectDocument } from '../../core/project/index.ts';
import { networkOf, routeDevice } from '../../core/routing/index.ts';
import { planRuns } from '../../core/runs/index.ts';
import { figure, percentile, type Figure } from './figure.ts';

/** The granary grown to 150 runs. */
function houseOf150(): ProjectDocument {
  let { document } = buildGranary({ shortId: '7K3MQ', name: 'Bench', description: '', client: '', address: '' });
  for (let n = 0; Object.keys(document.runs).length < 150; n++) {
    const at: [number, number] = [0.8 + ((n * 1.7) % 16), 0.9 + ((n * 2.3) % 8)];
    const placed = placeDevice(
      document,
      { typeId: 'ceiling-speaker', levelId: n % 2 ? 'level_m' : 'level_u', at },
      { device: `bench_${n}`, run: () => `benchrun_${n}` },
    );
    if (!placed.ok) throw new Error(placed.problem.code);
    const applied = applyChange(document, { operations: placed.value.operations });
    if (!applied.ok) throw new Error(applied.problem.code);
    document = applied.value;
  }
  return document;
}

/** Moves one device after the other and plans all runs again: what the client does between pointer and picture. */
export function benchRouting(): Figure[] {
  let document = houseOf150();
  planRuns(document);
  const ids = Object.values(document.devices)
    .filter((device) => document.deviceTypes[device.typeId].mount === 'ceiling')
    .map((device) => device.id);
  const samples: number[] = [];
  for (let n = 0; n < 600; n++) {
    const device = document.devices[ids[n % ids.length]];
    const start = performance.now();
    const moved = moveDevices(document, [{ deviceId: device.id, to: [device.x + (n % 2 ? -0.05 : 0.05), device.y] }]);
    if (!moved.ok) throw new Error(moved.problem.code);
    const applied = applyChange(document, { operations: moved.value });
    if (!applied.ok) throw new Error(applied.problem.code);
    document = applied.value;
    planRuns(document);
    if (n >= 100) samples.push(performance.now() - start);
  }
  const runs = Object.keys(document.runs).length;
  return [
    figure('routing', `reroute of one moved device, ${runs} runs, 95th percentile`, percentile(samples, 0.95), 'ms', 8),
    figure('routing', `reroute of one moved device, ${runs} runs, median`, percentile(samples, 0.5), 'ms'),
    figure('routing', 'plain reference: network and every route from nothing', reference(document), 'ms'),
  ];
}

/** What a program without memory would do on each move. */
function reference(document: ProjectDocument): number {
  const samples: number[] = [];
  for (let n = 0; n < 5; n++) {
    const copy = structuredClone(document);
    const start = performance.now();
    const network = networkOf(buildingOf(copy));
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
