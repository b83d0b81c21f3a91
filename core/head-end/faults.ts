import { atMost } from '../calculators/index.ts';
import type { Equipment } from '../model/index.ts';
import { AROUND_M, boardM, isBeside, isLoose, isRackMounted, isWallHung } from './arrange.ts';
import { ENCLOSURE_HEAT_W } from './design.ts';
import type { HeadEnd } from './head-end.ts';
import type { HeadEndParts } from './parts.ts';
import { isAtLeast } from './needs.ts';
import { CONTACTS_PER_ZONE } from './shared-zones.ts';
import { portAt, portKey } from './ports.ts';

/** Two things in one place, or one that reaches beyond its head end. */
export interface Overlap {
  readonly id: string;
  readonly otherId: string | null;
}

const spans = ({ atUnit, units }: Equipment): readonly [number, number] => [atUnit ?? 0, (atUnit ?? 0) + units];
const isApart = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]): boolean => b <= c + 1e-9 || d <= a + 1e-9;

/** Equipment that stands where other equipment does, or out of its head end. */
export function overlaps({ rack, equipment }: HeadEnd): Overlap[] {
  const isRack = isRackMounted(rack);
  const placed = equipment.filter(({ atUnit, xM }) => (isRack ? atUnit !== null : xM !== null));
  const [widthM, heightM] = boardM(rack);
  const beyond = placed
    .filter((one) =>
      isRack
        ? one.atUnit! + one.units - 1 > rack.units
        : one.xM! + one.widthM > widthM + 1e-6 || (one.yM ?? 0) + one.heightM > heightM + 1e-6,
    )
    .map(({ id }): Overlap => ({ id, otherId: null }));
  const pairs = placed.flatMap((one, n) =>
    placed
      .slice(n + 1)
      .filter((other) => {
        if (!isRack)
          return (
            !isApart([one.xM!, one.xM! + one.widthM], [other.xM!, other.xM! + other.widthM]) &&
            !isApart([one.yM ?? 0, (one.yM ?? 0) + one.heightM], [other.yM ?? 0, (other.yM ?? 0) + other.heightM])
          );
        if (isApart(spans(one), spans(other))) return false;
        if (one.face !== other.face) return one.depthM + other.depthM > rack.depthM + 1e-9;
        // Two loose devices may stand side by side on one shelf.
        const isBeside = isLoose(one) && isLoose(other) && one.xM !== null && other.xM !== null;
        return !(isBeside && isApart([one.xM!, one.xM! + one.widthM], [other.xM!, other.xM! + other.widthM]));
      })
      .map((other): Overlap => ({ id: one.id, otherId: other.id })),
  );
  return [...beyond, ...pairs];
}

/** Deepest equipment with its plugs behind it and 50 mm before it, m (ENGINEERING 15.1). */
export function deepest({ rack, equipment }: HeadEnd): { readonly id: string; readonly neededM: number } | null {
  const inside = equipment.filter((one) => !isBeside(one));
  if (inside.length === 0) return null;
  const one = inside.reduce((most, each) => (each.depthM > most.depthM ? each : most));
  return { id: one.id, neededM: one.depthM + (isRackMounted(rack) ? AROUND_M : 0) };
}

/** Runs on ports below the category of their cable. */
export function weakPanels(
  { needs, terminations }: HeadEnd,
  { equipmentById }: HeadEndParts,
): { runId: string; equipmentId: string }[] {
  return needs.flatMap(({ runId, category }) => {
    const termination = terminations.get(runId);
    const at = termination && equipmentById.get(termination.equipmentId);
    const has = at && portAt(at, termination!.port)?.group.category;
    return category !== null && has && !isAtLeast(has, category) ? [{ runId, equipmentId: at.id }] : [];
  });
}

/** Ports that two things claim: a run of two channels beside another run, or two cords. */
export function doublePorts(
  { needs, terminations, patches }: HeadEnd,
  { equipmentById }: HeadEndParts,
): { equipmentId: string; port: string }[] {
  const seen = new Set<string>();
  const twice: { equipmentId: string; port: string }[] = [];
  const claim = (key: string, equipmentId: string, port: string) => {
    if (seen.has(key)) twice.push({ equipmentId, port });
    seen.add(key);
  };
  // Contacts of one zone share its terminals, no more of them than may.
  const contacts = new Map<string, number>();
  for (const { runId, ports, facade } of needs) {
    const own = terminations.get(runId);
    if (facade !== null && own) {
      const key = portKey(own.equipmentId, own.port);
      const before = contacts.get(key) ?? 0;
      contacts.set(key, before + 1);
      if (before > 0 && before < CONTACTS_PER_ZONE) continue;
    }
    const at = own && equipmentById.get(own.equipmentId);
    const port = at && portAt(at, own!.port);
    if (!port) continue;
    for (let k = 0; k < ports; k++) claim(`t ${portKey(at.id, `${port.group.name} ${port.n + k}`)}`, at.id, own!.port);
  }
  for (const one of patches) {
    claim(`p ${portKey(one.equipmentId, one.port)}`, one.equipmentId, one.port);
    claim(`p ${portKey(one.toEquipmentId, one.toPort)}`, one.toEquipmentId, one.toPort);
  }
  return twice;
}

/** Equipment that is too hot for an enclosure (ENGINEERING 15.1), W. */
export const tooHot = ({ rack, equipment }: HeadEnd): readonly Equipment[] =>
  rack.kind === 'enclosure' ? equipment.filter((one) => !isWallHung(one) && !atMost(one.heatW, ENCLOSURE_HEAT_W)) : [];
