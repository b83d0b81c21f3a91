import { deviceNumber } from '../../devices/index.ts';
import { attachmentOf, wallElevation, wallNumbers, wallsAround } from '../../house/index.ts';
import { closestOnSegment, formatLength, groupedBy, type Point2 } from '../../math/index.ts';
import type { Device, ProjectDocument, Room } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import type { SheetPaper } from './plan-sheet.ts';
import { emptyView, viewBox, viewLine, type ViewMark, type ViewSheet, viewText } from './view-sheet.ts';

/** Space about each elevation for its title, dimensions and notes, mm. */
const [ABOVE_MM, BELOW_MM, BETWEEN_MM] = [9, 13, 14];
const METRIC_SCALES = [50, 75, 100, 150, 200, 400];
const IMPERIAL_SCALES = [48, 64, 96, 192, 384];

type SeenWall = ReturnType<typeof wallsAround>[number];

interface Seen extends SeenWall {
  readonly room: Room;
  readonly elevation: ReturnType<typeof wallElevation>;
}

/** A device no farther from the middle of a wall than its face belongs to it, m. */
const AT_FACE_M = 0.01;

/** Walls with something on the side that a room sees, room by room. */
function seenWalls(project: ProjectDocument): Seen[] {
  const onWalls = listOf(project, 'devices').filter(({ typeId }) => attachmentOf(project.deviceTypes[typeId]) === 'wall');
  const byRoom = groupedBy(onWalls, ({ roomId }) => roomId);
  return listOf(project, 'rooms').flatMap((room) => {
    const own = byRoom.get(room.id) ?? [];
    if (own.length === 0) return [];
    return wallsAround(project, room).flatMap(({ wall, side }): Seen[] => {
      const isOn = ({ x, y }: Device) => closestOnSegment([x, y], wall.a, wall.b).distanceM <= wall.thicknessM / 2 + AT_FACE_M;
      if (!own.some(isOn)) return [];
      const elevation = wallElevation(project, wall);
      const devices = elevation.devices.filter(({ device }) => device.roomId === room.id);
      return devices.length > 0 ? [{ wall, side, room, elevation: { ...elevation, devices } }] : [];
    });
  });
}

/** Every wall that carries devices, seen square on from its room, to scale, as many on a page as it holds. */
export function elevationSheets(project: ProjectDocument, paper: SheetPaper): ViewSheet[] {
  const seen = seenWalls(project);
  if (seen.length === 0) return [];
  const { field } = emptyView(paper, null);
  const [wide, high] = [field.right - field.left, field.top - field.bottom];
  const scales = project.project.units === 'imperial' ? IMPERIAL_SCALES : METRIC_SCALES;
  const fits = (scale: number) =>
    seen.every(
      ({ elevation: { lengthM, heightM } }) =>
        (lengthM * 1000) / scale + BETWEEN_MM <= wide && (heightM * 1000) / scale + ABOVE_MM + BELOW_MM <= high,
    );
  const scale = scales.find(fits) ?? scales[scales.length - 1];
  const pages: ViewMark[][] = [[]];
  let [x, y, rowMm] = [field.left, field.top, 0];
  for (const one of seen) {
    const [widthMm, heightMm] = [
      (one.elevation.lengthM * 1000) / scale + BETWEEN_MM,
      (one.elevation.heightM * 1000) / scale + ABOVE_MM + BELOW_MM,
    ];
    if (x + widthMm > field.right && x > field.left) [x, y, rowMm] = [field.left, y - rowMm, 0];
    if (y - heightMm < field.bottom && pages[pages.length - 1].length > 0) {
      pages.push([]);
      [x, y, rowMm] = [field.left, field.top, 0];
    }
    pages[pages.length - 1].push(...elevationMarks(project, one, scale, [x + BETWEEN_MM / 2, y - heightMm + BELOW_MM]));
    x += widthMm;
    rowMm = Math.max(rowMm, heightMm);
  }
  return pages.map((marks) => ({ ...emptyView(paper, scale).sheet, marks }));
}

function elevationMarks(
  project: ProjectDocument,
  { wall, side, room, elevation }: Seen,
  scale: number,
  [left, floor]: Point2,
): ViewMark[] {
  const { units } = project.project;
  const perM = 1000 / scale;
  const { lengthM, heightM, openings, devices } = elevation;
  // Seen from the right of the line from a to b, its end a is on the right.
  const across = (offsetM: number) => left + (side === 'left' ? lengthM - offsetM : offsetM) * perM;
  const number = wallNumbers(project).get(wall.id) ?? '';
  const boxes = openings.map(({ offsetM, widthM, sillM, headM }) =>
    viewBox(
      [Math.min(across(offsetM - widthM / 2), across(offsetM + widthM / 2)), floor + sillM * perM],
      widthM * perM,
      (headM - sillM) * perM,
    ),
  );
  const sorted = [...devices].sort((a, b) => across(a.offsetM) - across(b.offsetM));
  return [
    viewText(`${room.name} · ${number}`, [left, floor + heightM * perM + 3], { sizeMm: 2.6, isBold: true }),
    viewBox([left, floor], lengthM * perM, heightM * perM, 'outline'),
    ...boxes,
    viewText(`${formatLength(lengthM, units)} × ${formatLength(heightM, units)}`, [left, floor - 10.5], { sizeMm: 2 }),
    ...sorted.flatMap(({ device, offsetM, heightM: at }, n): ViewMark[] => {
      const x = across(offsetM);
      const y = floor + at * perM;
      const { code, system } = project.deviceTypes[device.typeId];
      // Places stand below the wall in two rows, so that neighbors do not write over each other.
      const row = floor - 3 - (n % 2) * 3.2;
      return [
        viewLine(
          [
            [x, floor],
            [x, y],
          ],
          'dimension',
        ),
        { kind: 'device', at: [x, y], code, system },
        viewText(`${deviceNumber(project, device)} · ${formatLength(at, units)}`, [x + 3.2, y + (n % 2 === 0 ? 1.6 : -2.2)], {
          sizeMm: 2,
        }),
        viewText(formatLength(Math.abs(x - left) / perM, units), [x, row], { sizeMm: 2, isMiddle: true }),
      ];
    }),
  ];
}
