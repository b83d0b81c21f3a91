// Run by the routing figures in a process of its own: how much memory routes, checks and schedule of a house keep, MB.
import { DerivedProject } from '../../core/deltas/index.ts';
import { houseOf } from './wired.ts';

const count = Number(process.argv[2]);
const collect = (globalThis as { gc?: () => void }).gc!;
const used = () => {
  collect();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1e6;
};
const house = houseOf(count);
const before = used();
const following = new DerivedProject({ outdoors: 'Outdoors' });
following.open(house, '2026-11-26');
const steps = following.derive('2026-11-26');
while (!steps.next().done);
const after = used();
// Held until it is measured.
if (following.route().next().value === undefined) process.exitCode = 0;
console.log(JSON.stringify({ houseMb: before, keptMb: after - before, peakMb: process.resourceUsage().maxRSS / 1000 }));
