import { channelsOf } from '../brief/index.ts';
import { buildingOf, ceilingHeightAt, openingsOf, wallPoint, wallsAround } from '../house/index.ts';
import { onLevel } from '../derive/index.ts';
import type { Opening, ProjectDocument, Room, TheatreAim } from '../model/index.ts';
import { windowOf } from './channel-at-seat.ts';
import { frameOf, type TheatreFrame } from './frame.ts';
import type { Picture } from './picture.ts';
import { lostOf, weightOf } from './score.ts';
import type { Theatre } from './theatre.ts';

/** Where the front speakers of a picture go: behind it where its margin is narrower than their cabinet and its weave lets sound through. */
export type FrontPlace = 'beside' | 'behind' | 'below';

/** Removable panels before the front wall; lengths in m, weights in kg. */
export interface FrontPanels {
  readonly count: number;
  readonly widthM: number;
  readonly heightM: number;
  readonly eachKg: number;
  /** What hangs or stands behind them, and how much of their stand-off it leaves. */
  readonly behind: readonly { readonly deviceId: string; readonly depthM: number; readonly freeM: number }[];
  /** Doors and windows that they cover. */
  readonly openings: readonly Opening[];
}

/** A sound bar in place of the fronts, as the reference seat hears it. */
export interface SoundBar {
  readonly widthM: number;
  /** How far its ends lie beside the middle line, and how far that is inside the window of the fronts, degrees. */
  readonly endsDeg: number;
  readonly missingDeg: number;
  /** How wide it would have to be, m. */
  readonly neededM: number;
  /** What its fronts take of the score of the layout, of 100. */
  readonly lostPoints: number;
}

/** Where the lead of a front speaker that stands on the floor comes out of the wall; m. */
export interface FrontLead {
  readonly deviceId: string;
  /** Beyond the edge of the picture, to the side of the speaker: negative is behind the picture. */
  readonly beyondM: number;
  /** Within half the width of its cabinet it is hidden by it. */
  readonly halfCabinetM: number;
}

export interface FrontWall {
  readonly kind: TheatreAim['frontWall'];
  /** Free beside the frame of the picture at its narrower side, and the width of a front cabinet. */
  readonly marginM: number;
  readonly cabinetM: number;
  readonly place: FrontPlace;
  readonly panels: FrontPanels | null;
  readonly soundBar: SoundBar | null;
  readonly leads: readonly FrontLead[];
}

/** A front speaker where none is placed yet, m wide. */
const USUAL_CABINET_M = 0.25;
const USUAL_BAR_M = 1.1;
/** Panels are made no wider than a person can carry, m. */
const WIDEST_PANEL_M = 1.2;
/** A lead may come out so far from where it is drawn, m. */
export const LEAD_WITHIN_M = 0.05;
/** What stands nearer than this to the front wall belongs to it, m. */
const AT_FRONT_M = 0.6;
/** A channel this far out of its window has lost all (ENGINEERING 10.2), degrees. */
const ALL_LOST_DEG = 20;

/** How the front of a theatre is built; null without a picture. */
export function frontWallOf(project: ProjectDocument, room: Room, theatre: Theatre): FrontWall | null {
  const { picture, aim } = theatre;
  if (!picture) return null;
  const frame = frameOf(project, room, picture);
  const typeOf = (deviceId: string) => project.deviceTypes[project.devices[deviceId].typeId];
  const fronts = theatre.channels.filter(({ channel }) => /^front/.test(channel));
  const cabinetM = Math.max(0, ...fronts.map(({ deviceId }) => typeOf(deviceId).sizeM[0])) || USUAL_CABINET_M;
  const middleM = frame.insideOf(picture.middle).asideM;
  const marginM = Math.min(middleM - frame.fromM.asideM, frame.toM.asideM - middleM) - picture.frameM[0] / 2;
  const leads = fronts
    .filter(({ deviceId }) => typeOf(deviceId).mount === 'stand')
    .map(({ deviceId, at }): FrontLead => {
      const beyondM = Math.abs(frame.insideOf(at).asideM - middleM) - picture.widthM / 2;
      return { deviceId, beyondM, halfCabinetM: typeOf(deviceId).sizeM[0] / 2 };
    });
  return {
    ...{ kind: aim.frontWall, marginM, cabinetM, leads },
    place: marginM >= cabinetM ? 'beside' : picture.weaveMm !== null ? 'behind' : 'below',
    panels: aim.frontWall === 'panels' ? panelsOf(project, room, { picture, theatre, frame }) : null,
    soundBar: soundBarOf(project, theatre),
  };
}

interface Front {
  readonly picture: Picture;
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
}

function panelsOf(project: ProjectDocument, room: Room, { picture, theatre: { aim, channels }, frame }: Front): FrontPanels {
  const spanM = frame.toM.asideM - frame.fromM.asideM;
  const [mx, my] = picture.middle;
  const heightM = ceilingHeightAt(room, project.levels[room.levelId], [mx, my]) - room.floorM;
  const count = Math.max(1, Math.ceil(spanM / WIDEST_PANEL_M - 1e-9));
  const widthM = spanM / count;
  const behind = channels
    .filter(({ at, channel }) => !channel.startsWith('top') && frame.insideOf(at).awayM < AT_FRONT_M - aim.standOffM)
    .map(({ deviceId }) => {
      const type = project.deviceTypes[project.devices[deviceId].typeId];
      const depthM = type.cutOut ? 0 : type.sizeM[1];
      return { deviceId, depthM, freeM: aim.standOffM - depthM };
    });
  return {
    ...{ count, widthM, heightM, behind },
    eachKg: widthM * heightM * aim.panelKgM2,
    openings: openingsBehind(project, room, picture, frame),
  };
}

/** Doors and windows in the wall behind a picture. */
function openingsBehind(project: ProjectDocument, room: Room, picture: Picture, frame: TheatreFrame): Opening[] {
  const building = buildingOf(project);
  return wallsAround(project, room).flatMap(({ wall }) =>
    openingsOf(building, wall).filter(({ offsetM }) => {
      const [x, y] = wallPoint(wall, offsetM);
      return frame.insideOf([x, y, 0]).awayM < AT_FRONT_M - frame.insideOf(picture.middle).awayM && isAcross(frame, wall);
    }),
  );
}

/** Whether a wall runs across the middle line. */
function isAcross({ insideOf }: TheatreFrame, { a, b }: { readonly a: readonly number[]; readonly b: readonly number[] }) {
  const [from, to] = [a, b].map(([x, y]) => insideOf([x, y, 0]));
  return Math.abs(to.asideM - from.asideM) > Math.abs(to.awayM - from.awayM);
}

/** A sound bar under the picture, as wide as that of the room or as one usually is. */
function soundBarOf(project: ProjectDocument, { layout, aim, seats, roomId }: Theatre): SoundBar | null {
  const seat = seats.find(({ isReference }) => isReference);
  const window = windowOf(layout, 'front-left', aim.school);
  if (!seat || seat.distanceM === null || !window || layout === null) return null;
  const levelId = project.rooms[roomId].levelId;
  const placed = onLevel(project, 'devices', levelId).find((one) => one.roomId === roomId && /sound-bar/.test(one.typeId));
  const type = placed ? project.deviceTypes[placed.typeId] : project.deviceTypes['sound-bar'];
  const widthM = type?.sizeM[0] ?? USUAL_BAR_M;
  const endsDeg = (Math.atan2(widthM / 2, seat.distanceM) * 180) / Math.PI;
  const [leastDeg] = window.mainDeg;
  const missingDeg = Math.max(0, leastDeg - endsDeg);
  const wanted = (channelsOf(layout) ?? []).filter((channel) => channel !== 'subwoofer');
  const weights = wanted.reduce((sum, channel) => sum + weightOf(channel), 0);
  const share = (2 * weightOf('front-left')) / Math.max(1e-9, weights);
  const angles = share * Math.min(1, (missingDeg / ALL_LOST_DEG) ** 2);
  return {
    ...{ widthM, endsDeg, missingDeg },
    neededM: 2 * seat.distanceM * Math.tan((leastDeg * Math.PI) / 180),
    lostPoints: 100 * lostOf({ angles, levels: 0, symmetry: 0, work: 0 }),
  };
}
