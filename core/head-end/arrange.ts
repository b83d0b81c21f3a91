import { err, ok, type Outcome, RACK_UNIT_M, tidyM } from '../math/index.ts';
import type { Equipment, EquipmentKind, Rack } from '../model/index.ts';

/** Where a piece of equipment goes; lengths in m. */
export interface EquipmentPlace {
  readonly id: string;
  readonly atUnit: number | null;
  /** Rack units: of a loose device those of its shelf. */
  readonly units: number;
  readonly face: Equipment['face'];
  readonly xM: number | null;
  readonly yM: number | null;
}

/** From the top down: by units in a rack, by height in an enclosure. */
export const fromTop = (a: Pick<Equipment, 'atUnit' | 'yM'>, b: Pick<Equipment, 'atUnit' | 'yM'>): number =>
  (b.atUnit ?? 0) - (a.atUnit ?? 0) || (b.yM ?? 0) - (a.yM ?? 0);

/** Behind and before equipment in a rack, for its plugs and cords (ENGINEERING 15.1): 100 and 50 mm, m. */
export const AROUND_M = 0.15;
/** Heat that wants a free unit over it, W. */
export const HOT_W = 50;
/** From the top down: what is patched near what it is patched to; what is heavy lies low. */
const ORDER: readonly EquipmentKind[] = [
  'coax-panel',
  'patch-panel',
  'cable-manager',
  'switch',
  'router',
  'modem',
  'hub',
  'controller',
  'recorder',
  'splitter',
  'rf-amplifier',
  'multiswitch',
  'extender',
  'source',
  'matrix',
  'alarm-panel',
  'other',
  'shelf',
  'supply',
  'receiver',
  'amplifier',
  'ups',
];
const FILLERS: ReadonlySet<EquipmentKind> = new Set(['vent', 'blank']);
/** Between things in an enclosure, and to its edges. */
const GAP_M = 0.01;
/** Between shelves: a loose device with its feet and air (ENGINEERING 15.1), m. */
const SHELF_AIR_M = 0.006;

/** Rack units of a loose device that lies flat on a shelf. */
export const shelfUnits = ({ heightM, depthM }: Pick<Equipment, 'heightM' | 'depthM'>): number =>
  Math.max(1, Math.ceil((Math.min(heightM, depthM) + SHELF_AIR_M) / RACK_UNIT_M - 1e-9));

/** Whether it holds what is mounted by its ears; boards and panels between studs do not. */
export const isRackMounted = ({ kind }: Pick<Rack, 'kind'>): boolean =>
  kind === 'rack' || kind === 'audio-rack' || kind === 'cabinet';

/** Height of a head end inside, m. */
export const insideHeightM = ({ units }: Pick<Rack, 'units'>): number => units * RACK_UNIT_M;

/**
 * Places for all equipment of a head end: what is locked stays, everything else by its kind, heavy low, with a free unit over what is hot.
 * Problem `rack-too-low` with the units that are missing, or `enclosure-too-small`.
 */
export function arranged(rack: Rack, equipment: readonly Equipment[]): Outcome<EquipmentPlace[]> {
  return isRackMounted(rack) ? inRack(rack, equipment) : inEnclosure(rack, equipment);
}

interface Block {
  readonly units: number;
  readonly airAbove: boolean;
  readonly items: readonly { readonly one: Equipment; readonly xM: number | null }[];
}

function inRack(rack: Rack, equipment: readonly Equipment[]): Outcome<EquipmentPlace[]> {
  const free = Array.from({ length: rack.units + 1 }, (_, u) => u > 0);
  for (const { isLocked, atUnit, units, face } of equipment)
    if (isLocked && atUnit !== null && face === 'front')
      for (let u = atUnit; u < atUnit + units && u <= rack.units; u++) free[u] = false;
  const moving = equipment.filter((one) => !FILLERS.has(one.kind) && !isWallHung(one) && !(one.isLocked && one.atUnit !== null));
  const rear = moving.filter(({ kind }) => kind === 'power-strip');
  const blocks = blocksOf(moving.filter(({ kind }) => kind !== 'power-strip'));
  const airless = blocks.reduce((sum, { units }) => sum + units, 0);
  const room = free.filter(Boolean).length;
  if (airless > room)
    return err('rack-too-low', { kind: 'infeasible', field: 'units', units: rack.units, needed: rack.units + airless - room });
  // Air over what is hot as far as there is room, the hottest first.
  let spare = room - airless;
  const withAir = new Set([...blocks].sort((a, b) => heatOf(b) - heatOf(a)).filter(({ airAbove }) => airAbove && spare-- > 0));
  const places: EquipmentPlace[] = [];
  let u = rack.units;
  for (const block of blocks) {
    // The lowest blocks, which are heavy, stand on the floor of the rack.
    const at = topFitting(free, u, block.units + (withAir.has(block) ? 1 : 0), block.units);
    if (at === null)
      return err('rack-too-low', { kind: 'infeasible', field: 'units', units: rack.units, needed: rack.units + block.units });
    for (let k = at; k < at + block.units; k++) free[k] = false;
    for (const { one, xM } of block.items)
      places.push({ id: one.id, atUnit: at, units: isLoose(one) ? shelfUnits(one) : one.units, face: 'front', xM, yM: null });
    u = at - 1;
  }
  let rearUnit = rack.units;
  for (const one of rear) {
    places.push({
      id: one.id,
      atUnit: Math.max(1, rearUnit - one.units + 1),
      units: one.units,
      face: 'rear',
      xM: null,
      yM: null,
    });
    rearUnit -= one.units;
  }
  return ok(sunk(places, blocks, rack, equipment));
}

const heatOf = ({ items }: Block): number => items.reduce((sum, { one }) => sum + one.heatW, 0);

/** The highest place at or under a unit with so many free units on end; without the air where that does not fit. */
function topFitting(free: readonly boolean[], from: number, wanted: number, least: number): number | null {
  for (const count of new Set([wanted, least]))
    for (let top = from; top >= count; top--) {
      const low = top - count + 1;
      if (free.slice(low, top + 1).every(Boolean)) return low;
    }
  return null;
}

/** What is heavy goes to the bottom where the rack is not full: UPS, amplifiers and receivers. */
function sunk(places: EquipmentPlace[], blocks: readonly Block[], rack: Rack, equipment: readonly Equipment[]): EquipmentPlace[] {
  const heavy = blocks.filter(({ items }) =>
    items.some(({ one }) => one.kind === 'ups' || one.kind === 'amplifier' || one.kind === 'receiver'),
  );
  if (heavy.length === 0) return places;
  const heavyIds = new Set(heavy.flatMap(({ items }) => items.map(({ one }) => one.id)));
  const taken = new Set<number>();
  const mark = (atUnit: number | null, units: number) => {
    if (atUnit !== null) for (let k = atUnit; k < atUnit + units; k++) taken.add(k);
  };
  const byId = new Map(equipment.map((one) => [one.id, one]));
  for (const { id, atUnit, face } of places) if (face === 'front' && !heavyIds.has(id)) mark(atUnit, byId.get(id)!.units);
  for (const one of equipment) if (one.isLocked && one.face === 'front') mark(one.atUnit, one.units);
  const moved = new Map<string, number>();
  let low = 1;
  // From the bottom up: the heaviest first, each with air over it where there is.
  for (const block of [...heavy].reverse()) {
    while (Array.from({ length: block.units }, (_, k) => low + k).some((unit) => taken.has(unit))) low++;
    if (low + block.units - 1 > rack.units) return places;
    for (const { one } of block.items) moved.set(one.id, low);
    low += block.units;
    if (block.airAbove && !taken.has(low) && low + unitsAbove(heavy, moved) <= lowest(places, heavyIds)) low++;
  }
  return places.map((place) => (moved.has(place.id) ? { ...place, atUnit: moved.get(place.id)! } : place));
}

const unitsAbove = (heavy: readonly Block[], moved: ReadonlyMap<string, number>): number =>
  heavy.filter(({ items }) => !moved.has(items[0].one.id)).reduce((sum, { units }) => sum + units, 0);
const lowest = (places: readonly EquipmentPlace[], heavyIds: ReadonlySet<string>): number =>
  Math.min(
    Infinity,
    ...places.filter(({ id, face }) => face === 'front' && !heavyIds.has(id)).map(({ atUnit }) => atUnit ?? Infinity),
  );

/** Equipment in its order; loose devices side by side on shelves. */
function blocksOf(equipment: readonly Equipment[]): Block[] {
  const rank = ({ kind }: Equipment) => ORDER.indexOf(kind);
  const sorted = [...equipment].sort(
    (a, b) => rank(a) - rank(b) || a.weightKg - b.weightKg || (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1),
  );
  const racked = sorted.filter((one) => one.units > 0 && !isLoose(one));
  const loose = sorted.filter(isLoose);
  const blocks = interleaved(racked).map((one): Block => ({
    ...{ units: one.units, airAbove: one.heatW >= HOT_W, items: [{ one, xM: null }] },
  }));
  return withShelves(blocks, loose);
}

/** Between the ears of a rack, m: what is narrower stands on a shelf. */
const INSIDE_M = 0.44;
/** What hangs on the wall beside a rack is taller, m: panels and supplies in housings of their own. */
const WALL_HUNG_M = 0.25;
export const isWallHung = (one: Pick<Equipment, 'heightM' | 'widthM'>): boolean => isLoose(one) && one.heightM > WALL_HUNG_M;
/** Without ears: it stands on a shelf, and has units only as that. */
export const isLoose = ({ widthM }: Pick<Equipment, 'widthM'>): boolean => widthM < INSIDE_M;
/** Not in the head end itself: it hangs on the wall, or is too wide for a rack and stands under its display. */
export const isBeside = (one: Pick<Equipment, 'heightM' | 'widthM' | 'units'>): boolean =>
  isWallHung(one) || (one.units === 0 && !isLoose(one));

/** A panel over each switch, so that cords are short. */
function interleaved(racked: readonly Equipment[]): Equipment[] {
  const of = (kind: EquipmentKind) => racked.filter((one) => one.kind === kind);
  const isData = ({ ports }: Equipment) => ports.some(({ kind }) => kind === 'data');
  const [panels, managers, switches] = [of('patch-panel').filter(isData), of('cable-manager'), of('switch')];
  const rows = Math.max(panels.length, switches.length);
  const together = Array.from({ length: rows }, (_, n) =>
    [panels[n], managers[n], switches[n]].filter((one) => one !== undefined),
  ).flat();
  const rest = racked.filter((one) => !together.includes(one));
  const first = rest.filter(({ kind }) => kind === 'coax-panel');
  return [
    ...first,
    ...together,
    ...managers.slice(rows),
    ...rest.filter((one) => !first.includes(one) && !managers.includes(one)),
  ];
}

/** Loose devices on as few shelves as take them, under the panels. */
function withShelves(blocks: readonly Block[], loose: readonly Equipment[]): Block[] {
  if (loose.length === 0) return [...blocks];
  const shelves: { one: Equipment; xM: number }[][] = [];
  for (const one of [...loose].sort((a, b) => shelfUnits(b) - shelfUnits(a) || (a.id < b.id ? -1 : 1))) {
    const at = shelves.find((row) => endOf(row) + one.widthM <= INSIDE_M + 1e-9);
    if (at) at.push({ one, xM: tidyM(endOf(at)) });
    else shelves.push([{ one, xM: 0 }]);
  }
  const shelfBlocks = shelves.map((row): Block => ({
    units: Math.max(...row.map(({ one }) => shelfUnits(one))),
    airAbove: row.reduce((sum, { one }) => sum + one.heatW, 0) >= HOT_W,
    items: row,
  }));
  const heavy = blocks.findIndex(({ items }) => ORDER.indexOf(items[0].one.kind) >= ORDER.indexOf('supply'));
  const cut = heavy < 0 ? blocks.length : heavy;
  return [...blocks.slice(0, cut), ...shelfBlocks, ...blocks.slice(cut)];
}

const endOf = (row: readonly { one: Equipment; xM: number }[]): number =>
  Math.max(0, ...row.map(({ one, xM }) => xM + one.widthM + GAP_M));

/** Rows in an enclosure from the bottom: mains first, then what is powered, data boards at the left, coax at the right over them. */
const ENCLOSURE_ROWS: readonly (readonly EquipmentKind[])[] = [
  ['power-strip', 'supply', 'ups'],
  [
    'modem',
    'router',
    'recorder',
    'alarm-panel',
    'controller',
    'switch',
    'hub',
    'rf-amplifier',
    'multiswitch',
    'source',
    'amplifier',
    'receiver',
    'other',
    'matrix',
    'extender',
  ],
  ['patch-panel', 'splitter', 'coax-panel'],
];

/** A board on a wall holds what hangs on it side by side, at least so much, m. */
const BOARD_M = [0.8, 1.2] as const;
/** Width and height for what is not mounted by its ears: of an enclosure inside, else of a board on the wall. */
export const boardM = (rack: Pick<Rack, 'kind' | 'units' | 'widthM'>): readonly [number, number] =>
  rack.kind === 'enclosure'
    ? [rack.widthM, insideHeightM(rack)]
    : [Math.max(BOARD_M[0], rack.widthM), Math.max(BOARD_M[1], insideHeightM(rack))];

function inEnclosure(rack: Rack, equipment: readonly Equipment[]): Outcome<EquipmentPlace[]> {
  const [widthM, heightM] = boardM(rack);
  const places: EquipmentPlace[] = equipment
    .filter(({ isLocked, xM }) => isLocked && xM !== null)
    .map(({ id, units, face, xM, yM }) => ({ id, atUnit: null, units, face, xM, yM }));
  const kept = new Set(places.map(({ id }) => id));
  let y = GAP_M;
  for (const kinds of ENCLOSURE_ROWS) {
    const own = equipment
      .filter((one) => !kept.has(one.id) && kinds.includes(one.kind) && !(rack.kind === 'enclosure' && isWallHung(one)))
      .sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind) || b.heightM - a.heightM || (a.id < b.id ? -1 : 1));
    for (const row of rowsOf(own, widthM)) {
      const rowM = Math.max(...row.map(({ heightM: tall }) => tall));
      if (y + rowM > heightM + 1e-9)
        return err('enclosure-too-small', { kind: 'infeasible', field: 'units', heightM, neededM: y + rowM, name: row[0].name });
      const coax = row.filter(({ kind }) => kind === 'splitter' || kind === 'coax-panel');
      let left = GAP_M;
      for (const one of row.filter((each) => !coax.includes(each))) {
        places.push({ id: one.id, atUnit: null, units: one.units, face: 'front', xM: tidyM(left), yM: tidyM(y) });
        left += one.widthM + GAP_M;
      }
      let right = widthM - GAP_M;
      for (const one of coax) {
        right -= one.widthM;
        places.push({ id: one.id, atUnit: null, units: one.units, face: 'front', xM: tidyM(Math.max(0, right)), yM: tidyM(y) });
        right -= GAP_M;
      }
      y += rowM + GAP_M;
    }
  }
  const rest = equipment.find(({ id, kind }) => !kept.has(id) && !ENCLOSURE_ROWS.flat().includes(kind) && !FILLERS.has(kind));
  if (rest && isRackOnly(rest)) return err('equipment-not-here', { kind: 'infeasible', field: 'equipment', name: rest.name });
  return ok(places);
}

const isRackOnly = ({ units }: Equipment): boolean => units > 0;

/** Equipment in rows that fit side by side. */
function rowsOf(equipment: readonly Equipment[], widthM: number): Equipment[][] {
  const rows: { items: Equipment[]; endM: number }[] = [];
  for (const one of equipment) {
    const row = rows.find(({ endM }) => endM + one.widthM + GAP_M <= widthM + 1e-9);
    if (row) {
      row.items.push(one);
      row.endM += one.widthM + GAP_M;
    } else rows.push({ items: [one], endM: GAP_M + one.widthM });
  }
  return rows.map(({ items }) => items);
}
