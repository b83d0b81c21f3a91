import { edited, onLevel } from '../derive/index.ts';
import { clipOfDevices, deviceIdsOn, type IdSource, pasteDevices } from '../devices/index.ts';
import { featureMake, levelsFromBelow } from '../house/index.ts';
import { firstFree, ok, type Outcome } from '../math/index.ts';
import { create, newLevel, type Operation, type ProjectDocument } from '../model/index.ts';

export interface LevelCopy {
  /** Of the new level. */
  readonly id: string;
  readonly nameOf: (number: number) => string;
  readonly newId: (kind: 'wall' | 'room' | 'opening' | 'feature') => string;
  /** Ids of the devices and runs that go along; null leaves the devices. */
  readonly devices: IdSource | null;
}

/** A level on top of the highest one, as high as the one that it is like, with a code that is free. */
export function levelOnTop(
  project: ProjectDocument,
  { id, nameOf, likeId }: { readonly id: string; readonly nameOf: (number: number) => string; readonly likeId?: string },
): Operation {
  const levels = levelsFromBelow(project);
  const top = levels[levels.length - 1];
  const like = (likeId === undefined ? undefined : project.levels[likeId]) ?? top;
  const order = top.order + 1;
  const codes = new Set(levels.map(({ code }) => code));
  const { number, name: code } = firstFree((n) => `L${n}`, codes, order + 1);
  const level = newLevel({
    id,
    code,
    name: nameOf(number),
    order,
    elevationM: top.elevationM + top.ceilingHeightM + top.cavityDepthM,
    ceilingHeightM: like.ceilingHeightM,
    cavityDepthM: like.cavityDepthM,
    floorBuildUpM: like.floorBuildUpM,
    gridAngleRad: like.gridAngleRad,
    defaults: like.defaults,
  });
  return create('levels', level);
}

/**
 * A level like another on top of the house: its walls with their openings, its rooms and what stands in them, and where asked for its
 * devices, each with a number and runs of its own. Racks, risers, plans and what was found on site stay behind.
 * Problems: those of `pasteDevices`.
 */
export function copyLevel(project: ProjectDocument, likeId: string, copy: LevelCopy): Outcome<Operation[]> {
  const levelId = copy.id;
  const walls = onLevel(project, 'walls', likeId);
  const wallIds = new Map(walls.map((wall) => [wall.id, copy.newId('wall')]));
  const standing = onLevel(project, 'features', likeId).filter(({ kind }) => featureMake(kind).group === 'furniture');
  const featureIds = new Map(standing.map((feature) => [feature.id, copy.newId('feature')]));
  const operations: Operation[] = [
    levelOnTop(project, { id: levelId, nameOf: copy.nameOf, likeId }),
    ...walls.map((wall) => create('walls', { ...wall, id: wallIds.get(wall.id)!, levelId })),
    ...Object.values(project.openings).flatMap((opening) =>
      wallIds.has(opening.wallId)
        ? [create('openings', { ...opening, id: copy.newId('opening'), wallId: wallIds.get(opening.wallId)! })]
        : [],
    ),
    ...onLevel(project, 'rooms', likeId).map((room) => create('rooms', { ...room, id: copy.newId('room'), levelId })),
    ...standing.map((feature) => create('features', { ...feature, id: featureIds.get(feature.id)!, levelId, topLevelId: null })),
  ];
  if (!copy.devices) return ok(operations);
  const built = edited(project, operations);
  if (!built.ok) return built;
  const clip = clipOfDevices(project, deviceIdsOn(project, likeId));
  const devices = clip.devices.map((device) => ({
    ...device,
    belongsTo: device.belongsTo === null ? null : (featureIds.get(device.belongsTo) ?? null),
  }));
  const placed = pasteDevices(built.value, { ...clip, devices }, { kind: 'level', levelId }, copy.devices);
  return placed.ok ? ok([...operations, ...placed.value.operations]) : placed;
}
