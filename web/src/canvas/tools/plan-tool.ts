import type { Overlap } from '@dusky-spool/core/calculators';
import {
  applyTemplate,
  buildablePlace,
  type Clash,
  type CopyPlace,
  type DeviceClip,
  type Guided,
  guideTo,
  pasteDevices,
  placeDevice,
  placeField,
  snapDevice,
} from '@dusky-spool/core/devices';
import { buildingOf, roomAt } from '@dusky-spool/core/house';
import { ok, type Outcome, type Point2 } from '@dusky-spool/core/math';
import {
  type Device,
  type DeviceType,
  newDevice,
  type Operation,
  type ProjectDocument,
  type RoomTemplate,
} from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { placedAs } from '../../commands/placed-as.ts';
import { placeShaft } from '../../commands/place-shaft.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { toHandGrid } from './nudge.ts';

/** What a click on the plan does. */
export type Tool =
  | { readonly kind: 'select' }
  | { readonly kind: 'place'; readonly type: DeviceType; readonly field?: Field; readonly as?: PlacedAs }
  | { readonly kind: 'template'; readonly template: RoomTemplate }
  /** Copies of devices; into a room, at the same share of it, where they are those of a room. */
  | { readonly kind: 'copies'; readonly clip: DeviceClip; readonly isRoom: boolean }
  | { readonly kind: 'rack' }
  | { readonly kind: 'riser' };

/** What a device of the brief is placed as: now, or prepared for a later phase. */
export type PlacedAs = Pick<Device, 'fitting' | 'phaseId' | 'areaId'>;

export const SELECT_TOOL: Tool = { kind: 'select' };

/** How an even field of ceiling speakers is laid out. */
export interface Field {
  readonly overlap: Overlap;
  readonly ear: 'seated' | 'standing';
}

/** A click on the plan of a level. */
export interface PlanClick {
  readonly levelId: string;
  readonly at: Point2;
  /** Without guides. */
  readonly isFree: boolean;
  /** Guides attract a device from this far, m. */
  readonly guideM: number;
  /** Whose reserved numbers are used. */
  readonly numberHolder: string;
  readonly ids: { readonly device: () => string; readonly run: () => string };
  readonly newId: (prefix: string) => string;
}

/** What a tool places: its name for the history, the operations that create it, what is selected then, and the devices of it. */
export interface Placement {
  readonly name: string;
  readonly placed: Outcome<{
    readonly operations: readonly Operation[];
    readonly devices: readonly Device[];
    readonly select?: Selection;
  }>;
}

type PlaceClick = Pick<PlanClick, 'levelId' | 'at' | 'isFree' | 'guideM'>;

/** A device is moved no farther than this to where it can be built, m. */
const BUILDABLE_REACH_M = 0.6;
const ASIDE_M = 0.1;

/** Where a click places a device. */
export interface DevicePlace extends Guided {
  /** A point that is placed there: for a device in a wall it says the side. */
  readonly from: Point2;
  /** What keeps it from where the pointer is; null where nothing does. */
  readonly reason: Clash | null;
  /** How far it was moved for that, m. */
  readonly movedM: number;
}

/**
 * Where a click places a device: what it is drawn to, then its wall, then the nearest place where it can be built; else the grid of
 * the hand. The preview shows the same.
 */
export function guidedPlace(project: ProjectDocument, type: DeviceType, click: PlaceClick): DevicePlace {
  const { at: wanted, guides } = wantedPlace(project, type, click);
  const { levelId, isFree } = click;
  const { x, y, roomId, facingRad } = snapDevice(buildingOf(project), levelId, type, wanted);
  const draft = newDevice({
    ...{ id: 'draft', typeId: type.id, levelId, roomId, number: 0, x, y },
    heightM: type.defaultHeightM,
    facingRad: facingRad ?? 0,
  });
  const { at, reason, movedM } = buildablePlace(project, draft, isFree ? 0 : BUILDABLE_REACH_M);
  const aside = facingRad === null ? 0 : ASIDE_M;
  return {
    at,
    from: movedM === 0 ? wanted : [at[0] + Math.cos(draft.facingRad) * aside, at[1] + Math.sin(draft.facingRad) * aside],
    guides: movedM === 0 ? guides : [],
    reason,
    movedM,
  };
}

function wantedPlace(project: ProjectDocument, type: DeviceType, { levelId, at, isFree, guideM }: PlaceClick): Guided {
  const guided = isFree ? { at, guides: [] } : guideTo(project, levelId, type, at, guideM);
  return guided.guides.length > 0 ? guided : { at: toHandGrid(at, project.project.units), guides: [] };
}

/** Where a click sets copies down; null where that is no room and they furnish one. A single device goes where a new one would go. */
export function copiesGoTo(
  project: ProjectDocument,
  { clip, isRoom }: Extract<Tool, { kind: 'copies' }>,
  click: PlaceClick,
): CopyPlace | null {
  const { levelId, at } = click;
  if (isRoom) {
    const room = roomAt(buildingOf(project), levelId, at);
    return room ? { kind: 'room', roomId: room.id } : null;
  }
  const [only] = clip.devices;
  const type = clip.devices.length === 1 ? project.deviceTypes[only.typeId] : undefined;
  if (type) return { kind: 'at', levelId, at: guidedPlace(project, type, click).from };
  return { kind: 'at', levelId, at: click.isFree ? at : toHandGrid(at, project.project.units) };
}

/** What a click with a tool places; null where it places nothing there. */
export function placeWithTool(project: ProjectDocument, tool: Tool, click: PlanClick): Placement | null {
  if (tool.kind === 'select') return null;
  const { levelId, at, ids } = click;
  if (tool.kind === 'rack' || tool.kind === 'riser') {
    const { name, id, operations } = placeShaft(project, { kind: tool.kind, levelId, at, newId: click.newId });
    return { name, placed: ok({ operations, devices: [], select: { kind: tool.kind, ids: [id] } }) };
  }
  if (tool.kind === 'copies') {
    const to = copiesGoTo(project, tool, click);
    if (!to) return null;
    const name = text('plan.copies', { count: tool.clip.devices.length });
    return { name, placed: pasteDevices(project, tool.clip, to, ids, click.numberHolder) };
  }
  if (tool.kind === 'place' && !tool.field) {
    const placed = placeDevice(
      project,
      {
        typeId: tool.type.id,
        levelId,
        at: guidedPlace(project, tool.type, click).from,
        holder: click.numberHolder,
      },
      { device: ids.device(), run: ids.run },
    );
    if (!placed.ok) return { name: tool.type.name, placed };
    const { device, operations } = placedAs(placed.value, tool.as);
    return { name: tool.type.name, placed: ok({ operations, devices: [device] }) };
  }
  const room = roomAt(buildingOf(project), levelId, at);
  if (!room) return null;
  if (tool.kind === 'template') return { name: tool.template.name, placed: applyTemplate(project, room.id, tool.template, ids) };
  const { overlap, ear } = tool.field!;
  return { name: tool.type.name, placed: placeField(project, room.id, tool.type.id, overlap, ear, ids) };
}
