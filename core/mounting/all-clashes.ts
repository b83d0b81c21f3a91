import { onLevel, type Device, type ProjectDocument } from '../project/index.ts';
import type { Clash } from './clash.ts';
import { clashesOf } from './clashes.ts';

/** Devices farther apart than this never meet: two of the largest faces and what they keep clear, m. */
const CELL_M = 3;
const TABLES = ['levels', 'rooms', 'walls', 'openings', 'features', 'framingMembers', 'facts', 'deviceTypes'] as const;

interface Kept {
  readonly house: readonly object[];
  readonly neighbours: readonly Device[];
  readonly clashes: readonly Clash[];
}
const kept = new WeakMap<Device, Kept>();

/**
 * The clashes of every device. A device whose house and neighbours are the same values as before is not tested again, so that
 * moving one of three thousand tests it and the few around it.
 */
export function allClashes(document: ProjectDocument): ReadonlyMap<string, readonly Clash[]> {
  const house = TABLES.map((name) => document[name]);
  const found = new Map<string, readonly Clash[]>();
  for (const levelId of Object.keys(document.levels)) {
    const devices = onLevel(document, 'devices', levelId);
    const cells = new Map<number, Device[]>();
    for (const device of devices) {
      const key = cellKey(device.x, device.y);
      const cell = cells.get(key);
      if (cell) cell.push(device);
      else cells.set(key, [device]);
    }
    for (const device of devices) {
      const neighbours = around(cells, device);
      const known = kept.get(device);
      const same =
        known &&
        known.house.every((table, i) => table === house[i]) &&
        known.neighbours.length === neighbours.length &&
        known.neighbours.every((other, i) => other === neighbours[i]);
      const clashes = same ? known.clashes : clashesOf(document, device, neighbours);
      if (!same) kept.set(device, { house, neighbours, clashes });
      if (clashes.length > 0) found.set(device.id, clashes);
    }
  }
  return found;
}

const cellKey = (x: number, y: number) => Math.floor(x / CELL_M) * 100_003 + Math.floor(y / CELL_M);

function around(cells: ReadonlyMap<number, readonly Device[]>, { x, y }: Device): Device[] {
  const near: Device[] = [];
  for (let i = -1; i <= 1; i++) {
    for (let j = -1; j <= 1; j++) {
      for (const other of cells.get(cellKey(x + i * CELL_M, y + j * CELL_M)) ?? []) near.push(other);
    }
  }
  return near;
}
