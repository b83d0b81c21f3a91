import { onLevel, withRecords } from '../derive/index.ts';
import { type Feature, type Operation, type ProjectDocument, type Room, type TheatreAim, update } from '../model/index.ts';
import { theatreOf } from './theatre.ts';

export type TheatreMode = TheatreAim['modes'][number];

/** A way the room is used, with what it is worth then. */
export interface ModeFigures {
  readonly name: string;
  /** Whether its furniture stands now, and no other's. */
  readonly isOn: boolean;
  readonly seats: number;
  readonly score: number | null;
  /** Of the worst seat: channels that are not seen from it. */
  readonly hidden: number;
}

/** Furniture that some mode names, with whether it stands in this one. */
const standing = (
  project: ProjectDocument,
  room: Room,
  modes: readonly TheatreMode[],
  mode: TheatreMode,
): [Feature, boolean][] => {
  const named = new Set(modes.flatMap(({ featureIds }) => featureIds));
  return onLevel(project, 'features', room.levelId)
    .filter(({ id }) => named.has(id))
    .map((feature) => [feature, mode.featureIds.includes(feature.id)]);
};

/** What puts the furniture of a mode into the room and takes that of the others out. */
export const switchMode = (project: ProjectDocument, room: Room, modes: readonly TheatreMode[], mode: TheatreMode): Operation[] =>
  standing(project, room, modes, mode).flatMap(([feature, chosen]) => update('features', feature, { chosen }) ?? []);

/** Every mode of a room with its figures, worked out with its furniture. */
export function modesOf(project: ProjectDocument, room: Room, { modes }: Pick<TheatreAim, 'modes'>): ModeFigures[] {
  return modes.map((mode) => {
    const changed = standing(project, room, modes, mode).filter(([feature, chosen]) => feature.chosen !== chosen);
    const features = changed.map(([feature, chosen]): Feature => ({ ...feature, chosen }));
    const house = withRecords(project, 'features', features);
    const { seats, score, channels } = theatreOf(house, room);
    const hidden = seats.map((_, n) => channels.filter(({ seats: at }) => at[n]?.sight === 'blocked').length);
    return {
      name: mode.name,
      isOn: changed.length === 0,
      ...{ seats: seats.length, score: score?.total ?? null, hidden: Math.max(0, ...hidden) },
    };
  });
}
