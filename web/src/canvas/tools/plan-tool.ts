import type { Overlap } from '@dusky-spool/core/calculators';
import { applyTemplate, type Guided, guideTo, placeDevice, placeField } from '@dusky-spool/core/devices';
import { buildingOf, roomAt } from '@dusky-spool/core/house';
import { ok, type Outcome, type Point2 } from '@dusky-spool/core/math';
import type { Device, DeviceType, Operation, ProjectDocument, RoomTemplate } from '@dusky-spool/core/model';
import { toHandGrid } from './nudge.ts';

/** What a click on the plan does. */
export type Tool =
  | { readonly kind: 'select' }
  | { readonly kind: 'place'; readonly type: DeviceType; readonly field?: Field }
  | { readonly kind: 'template'; readonly template: RoomTemplate };

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
}

/** What a tool places: its name for the history, and the devices with the operations that create them. */
export interface Placement {
  readonly name: string;
  readonly placed: Outcome<{ readonly operations: readonly Operation[]; readonly devices: readonly Device[] }>;
}

/** Where a device would be placed. */
export const guidedPlace = (
  project: ProjectDocument,
  type: DeviceType,
  { levelId, at, isFree, guideM }: Pick<PlanClick, 'levelId' | 'at' | 'isFree' | 'guideM'>,
): Guided => (isFree ? { at, guides: [] } : guideTo(project, levelId, type, at, guideM));

/** What a click with a tool places; null where it places nothing there. */
export function placeWithTool(project: ProjectDocument, tool: Tool, click: PlanClick): Placement | null {
  if (tool.kind === 'select') return null;
  const { levelId, at, ids } = click;
  if (tool.kind === 'place' && !tool.field) {
    const guided = guidedPlace(project, tool.type, click);
    const placed = placeDevice(
      project,
      {
        typeId: tool.type.id,
        levelId,
        at: guided.guides.length > 0 ? guided.at : toHandGrid(at, project.project.units),
        holder: click.numberHolder,
      },
      { device: ids.device(), run: ids.run },
    );
    return { name: tool.type.name, placed: placed.ok ? ok({ ...placed.value, devices: [placed.value.device] }) : placed };
  }
  const room = roomAt(buildingOf(project), levelId, at);
  if (!room) return null;
  if (tool.kind === 'template') return { name: tool.template.name, placed: applyTemplate(project, room.id, tool.template, ids) };
  const { overlap, ear } = tool.field!;
  return { name: tool.type.name, placed: placeField(project, room.id, tool.type.id, overlap, ear, ids) };
}
