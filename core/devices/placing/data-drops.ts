import type { Device, DeviceType, Leg, ProjectDocument } from '../../model/index.ts';
import { usualLegs } from './recipe.ts';

/** The legs that a new device gets. */
export interface PlannedLegs {
  readonly legs: readonly { readonly leg: Leg; readonly number: number }[];
  /** Legs of the recipe that the settings leave out. */
  readonly leftOut: readonly number[];
}

/** Rooms in which a data drop is one at a desk. */
const DESK_USES: ReadonlySet<string> = new Set(['study']);
const DATA_TYPES = { cat6: 'cat6_utp', cat6a: 'cat6a_utp' } as const;

/** A plain data drop: an outlet whose cables are all data cables and that feeds nothing. */
function isDataDrop(project: Pick<ProjectDocument, 'cableTypes'>, type: DeviceType): boolean {
  const usual = usualLegs(type);
  return (
    type.system === 'data' &&
    type.answers === 'network' &&
    type.poeClass === null &&
    type.mainsW === null &&
    usual.length > 0 &&
    usual.every(({ leg }) => project.cableTypes[leg.cableTypeId]?.family === 'cat' && /^network/.test(leg.purpose))
  );
}

/**
 * The usual legs of a type, with as many data cables as the project gives a drop: one number at desks and displays, another elsewhere; a drop
 * in the category that the project pulls. A number beyond the recipe is another cable of its last data leg.
 */
export function plannedLegs(project: ProjectDocument, type: DeviceType, { roomId }: Pick<Device, 'roomId'>): PlannedLegs {
  const usual = usualLegs(type);
  const isDrop = isDataDrop(project, type);
  if (!isDrop && type.answers !== 'display') return { legs: usual, leftOut: [] };
  const use = roomId === null ? '' : (project.rooms[roomId]?.use ?? '');
  const isDesk = !isDrop || /desk|floor-box/.test(type.id) || /desk|floor box/i.test(type.name) || DESK_USES.has(use);
  const { dataCable, deskDataCables, roomDataCables } = project.project;
  const wanted = isDesk ? deskDataCables : roomDataCables;
  const isData = ({ leg }: (typeof usual)[number]) => project.cableTypes[leg.cableTypeId]?.family === 'cat';
  const data = usual.filter(isData);
  if (data.length === 0) return { legs: usual, leftOut: [] };
  const left = data.slice(wanted);
  const cableTypeId = DATA_TYPES[dataCable];
  const asSet = (leg: Leg): Leg => (isDrop && project.cableTypes[cableTypeId] ? { ...leg, cableTypeId } : leg);
  const last = data[data.length - 1].leg;
  const more = Array.from({ length: isDrop ? Math.max(0, wanted - data.length) : 0 }, (_, n) => ({
    leg: asSet({ ...last, purpose: `network ${data.length + n + 1}` }),
    number: type.cables.length + n + 1,
  }));
  return {
    legs: [...usual.flatMap((one) => (left.includes(one) ? [] : [isData(one) ? { ...one, leg: asSet(one.leg) } : one])), ...more],
    leftOut: left.map(({ number }) => number),
  };
}
