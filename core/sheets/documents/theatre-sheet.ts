import { riserSteps, speakerAim } from '../../calculators/index.ts';
import { overheadRequiredN, tapePlaceOf, wallRequiredN } from '../../devices/index.ts';
import { onLevel } from '../../derive/index.ts';
import {
  err,
  formatClearance,
  formatLength,
  formatLengthFine,
  ok,
  type Outcome,
  PAPER_MM,
  type Point2,
} from '../../math/index.ts';
import type { Device, ProjectDocument, Room, SurroundChannel } from '../../model/index.ts';
import {
  boxOn,
  type ChannelFigures,
  flatOf,
  footprintsOf,
  frameOf,
  frontWallOf,
  LEAD_WITHIN_M,
  type Inside,
  mainAngleDeg,
  outlineOn,
  pictureCorners,
  projectorMounts,
  type Theatre,
  type TheatreFrame,
  theatreOf,
  type TheatreView,
} from '../../theatre/index.ts';
import { placeText, type PlaceWords } from './place-text.ts';
import type { SheetPaper } from './plan-sheet.ts';

/** What is drawn on a view, mm on the paper, y up. */
export type TheatreMark =
  | {
      readonly kind: 'room' | 'beam' | 'riser' | 'seat' | 'picture' | 'cone' | 'sight';
      readonly points: readonly Point2[];
      readonly isClosed: boolean;
    }
  | { readonly kind: 'speaker' | 'projector'; readonly at: Point2; readonly code: string }
  | { readonly kind: 'head'; readonly at: Point2 }
  | { readonly kind: 'dimension'; readonly points: readonly [Point2, Point2]; readonly text: string }
  | { readonly kind: 'title'; readonly at: Point2; readonly view: TheatreView };

/** A theatre on paper: from above, in section and its front wall, to one scale. */
export interface TheatreSheet {
  readonly paper: SheetPaper;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marginMm: number;
  readonly titleBlockMm: number;
  /** 50 means 1:50. */
  readonly scale: number;
  readonly marks: readonly TheatreMark[];
}

export interface TheatreSheetWords {
  readonly place: PlaceWords;
  readonly channels: Readonly<Record<SurroundChannel, string>>;
  readonly atCeiling: string;
  /** Of a reference seat: "2, reference". */
  readonly reference: (seat: number) => string;
  readonly turned: (turnDeg: string, tiltDeg: string) => string;
  readonly down: string;
  readonly codeOf: (channel: SurroundChannel) => string;
  /** How far beside the picture a lead comes out of the wall, with its tolerance. */
  readonly lead: (besideM: string, withinM: string) => string;
  readonly hidden: string;
  readonly trades: { readonly framer: string; readonly electrician: string };
  readonly riser: (row: number, rise: string) => string;
  readonly steps: (count: number, rise: string, run: string) => string;
  readonly stepLights: (row: number) => string;
  readonly rowOutlet: (row: number) => string;
  readonly rowChannel: string;
  readonly lights: string;
  readonly screenLights: string;
  readonly hang: (kg: number, newtons: number, isOverhead: boolean) => string;
  readonly outlet: (watts: number) => string;
  readonly frontWall: string;
  readonly panels: (count: number, width: string, height: string, kg: string, standOff: string) => string;
  readonly panelOpening: string;
  readonly columns: (depth: string) => string;
  readonly projectorPlate: (lags: number, newtons: number) => string;
  readonly drapes: (count: number) => string;
}

/** A table of the sheet: rows of finished words, one for each column title. */
export interface TheatreTable {
  readonly section: 'speakers' | 'seats' | 'pictures' | 'works';
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const MARGIN_MM = 10;
const TITLE_BLOCK_MM = 30;
/** Between the views, and over each for its title, mm. */
const GAP_MM = 22;
const HEAD_MM = 9;
const METRIC_SCALES = [10, 20, 25, 50, 75, 100, 150, 200];
/** 1, 3/4, 1/2, 3/8, 1/4, 3/16, 1/8 in to the foot. */
const IMPERIAL_SCALES = [12, 16, 24, 32, 48, 64, 96, 192];
/** Speakers no farther from the picture are on its wall, m. */
const AT_FRONT_M = 0.6;

/** Lays a theatre out on paper at the largest usual scale that fits. Problems: `record-gone`, `level-too-large`. */
export function theatreSheet(
  project: ProjectDocument,
  roomId: string,
  paper: SheetPaper,
  codeOf: TheatreSheetWords['codeOf'],
): Outcome<TheatreSheet> {
  const room = project.rooms[roomId];
  if (!room) return err('record-gone', { in: 'rooms', id: roomId });
  const theatre = theatreOf(project, room);
  const frame = frameOf(project, room, theatre.picture);
  const [heightMm, widthMm] = PAPER_MM[paper];
  const [acrossM, deepM, tallM] = [
    frame.toM.asideM - frame.fromM.asideM,
    frame.toM.awayM - frame.fromM.awayM,
    frame.toM.upM - frame.fromM.upM,
  ];
  const [freeX, freeY] = [widthMm - 2 * MARGIN_MM - 3 * GAP_MM, heightMm - 2 * MARGIN_MM - TITLE_BLOCK_MM - 2 * GAP_MM];
  const scales = project.project.units === 'imperial' ? IMPERIAL_SCALES : METRIC_SCALES;
  const scale = scales.find((s) => {
    const mm = 1000 / s;
    return (acrossM + Math.max(deepM, acrossM)) * mm <= freeX && Math.max(deepM, 2 * tallM + 0.4) * mm + HEAD_MM <= freeY;
  });
  if (scale === undefined) return err('level-too-large', { kind: 'infeasible', field: 'paper', paper });
  const mm = 1000 / scale;
  const top = heightMm - MARGIN_MM - GAP_MM;
  const right = MARGIN_MM + 2 * GAP_MM + acrossM * mm;
  const corners: Readonly<Record<TheatreView, Point2>> = {
    top: [MARGIN_MM + GAP_MM, top],
    side: [right, top],
    front: [right, top - tallM * mm - GAP_MM - HEAD_MM],
  };
  const marks = (['top', 'side', 'front'] as const).flatMap((view) => {
    const flat = flatOf(view);
    const [a, b] = [flat(frame.fromM), flat(frame.toM)];
    const [left, upper] = [Math.min(a[0], b[0]), Math.min(a[1], b[1])];
    const place = (one: Inside): Point2 => {
      const [x, y] = flat(one);
      return [corners[view][0] + (x - left) * mm, corners[view][1] - (y - upper) * mm];
    };
    const title: TheatreMark = { kind: 'title', at: [corners[view][0], corners[view][1] + 6], view };
    return [title, ...marksOn({ project, room, theatre, frame, view, place, codeOf })];
  });
  return ok({ paper, widthMm, heightMm, marginMm: MARGIN_MM, titleBlockMm: TITLE_BLOCK_MM, scale, marks });
}

interface Drawn {
  readonly project: ProjectDocument;
  readonly room: Room;
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
  readonly view: TheatreView;
  readonly place: (one: Inside) => Point2;
  readonly codeOf: TheatreSheetWords['codeOf'];
}

function marksOn(drawn: Drawn): TheatreMark[] {
  const { project, theatre, frame, view, place, codeOf } = drawn;
  const { picture, channels } = theatre;
  const area = (kind: 'room' | 'picture' | 'cone', points: readonly Inside[], isClosed = true): TheatreMark => ({
    ...{ kind, points: points.map(place), isClosed },
  });
  const pictureMarks = (): TheatreMark[] => {
    if (!picture) return [];
    const [a, b, c, d] = pictureCorners(picture, frame);
    const cones =
      view === 'front'
        ? []
        : theatre.projections.map(({ lens }) => area('cone', [frame.insideOf(lens), a, view === 'top' ? b : d]));
    return [...cones, area('picture', view === 'front' ? [a, b, c, d] : view === 'top' ? [a, b] : [a, d], view === 'front')];
  };
  const speakers = channels
    .filter(({ at }) => view !== 'front' || frame.insideOf(at).awayM < AT_FRONT_M)
    .map(({ at, channel }): TheatreMark => ({ kind: 'speaker', at: place(frame.insideOf(at)), code: codeOf(channel) }));
  const projectors =
    view === 'front'
      ? []
      : theatre.projections.map(({ deviceId, lens }): TheatreMark => {
          const { code } = project.deviceTypes[project.devices[deviceId].typeId];
          return { kind: 'projector', at: place(frame.insideOf(lens)), code };
        });
  return [
    area('room', outlineOn(view, frame)),
    ...beamMarks(drawn),
    ...pictureMarks(),
    ...seatMarks(drawn),
    ...(view === 'side' ? sightMarks(drawn) : []),
    ...projectors,
    ...speakers,
    ...dimensionMarks(drawn),
  ];
}

const BEAMS: ReadonlySet<string> = new Set(['beam', 'soffit', 'steel']);

function beamMarks({ project, room, frame, view, place }: Drawn): TheatreMark[] {
  const [low, high] = [frame.fromM, frame.toM];
  return onLevel(project, 'features', room.levelId)
    .filter(({ kind }) => BEAMS.has(kind))
    .flatMap((feature) =>
      footprintsOf(feature).map((one) => ({ feature, corners: one.map(([x, y]) => frame.insideOf([x, y, feature.bottomM])) })),
    )
    .filter(({ corners }) =>
      corners.some(
        ({ asideM, awayM }) => asideM > low.asideM - 0.5 && asideM < high.asideM + 0.5 && awayM > low.awayM && awayM < high.awayM,
      ),
    )
    .map(({ feature, corners }): TheatreMark => ({
      kind: 'beam',
      isClosed: true,
      points: boxOn(view, corners, feature).map(place),
    }));
}

function seatMarks({ project, room, theatre, frame, view, place }: Drawn): TheatreMark[] {
  if (view === 'front') return [];
  return [...new Set(theatre.seats.map(({ featureId }) => featureId))].flatMap((id): TheatreMark[] => {
    const feature = project.features[id];
    const corners = footprintsOf(feature)[0].map(([x, y]) => frame.insideOf([x, y, feature.bottomM]));
    const seats = theatre.seats.filter(({ featureId }) => featureId === id);
    const heads = (view === 'top' ? seats : seats.slice(0, 1)).map((one): TheatreMark => ({
      kind: 'head',
      at: place(frame.insideOf([...one.at, one.eyeM])),
    }));
    if (view === 'top')
      return [{ kind: feature.bottomM > room.floorM ? 'riser' : 'seat', points: corners.map(place), isClosed: true }, ...heads];
    if (feature.bottomM <= room.floorM) return heads;
    const near = Math.min(...corners.map(({ awayM }) => awayM));
    const base = [
      { asideM: 0, awayM: near, upM: room.floorM },
      { asideM: 0, awayM: near, upM: feature.bottomM },
      { asideM: 0, awayM: frame.toM.awayM, upM: feature.bottomM },
    ];
    return [{ kind: 'riser', points: base.map(place), isClosed: false }, ...heads];
  });
}

/** From the eyes of each row to the bottom and the top of the picture. */
function sightMarks({ theatre, frame, place }: Drawn): TheatreMark[] {
  const { picture, seats } = theatre;
  if (!picture) return [];
  const [bottom, , top] = pictureCorners(picture, frame).map((one) => ({ ...one, asideM: 0 }));
  return [...new Set(seats.map(({ row }) => row))].flatMap((row) => {
    const one = seats.find((seat) => seat.row === row)!;
    const eye = { ...frame.insideOf([...one.at, one.eyeM]), asideM: 0 };
    return [bottom, top].map((edge): TheatreMark => ({ kind: 'sight', points: [eye, edge].map(place), isClosed: false }));
  });
}

/** The room from face to face on each view, the bottom and the width of the picture. */
function dimensionMarks({ project, theatre, frame, view, place }: Drawn): TheatreMark[] {
  const { units } = project.project;
  const { fromM, toM } = frame;
  const line = (a: Inside, b: Inside, offX: number, offY: number, valueM: number): TheatreMark => {
    const [[ax, ay], [bx, by]] = [place(a), place(b)];
    return {
      kind: 'dimension',
      points: [
        [ax + offX, ay + offY],
        [bx + offX, by + offY],
      ],
      text: formatLengthFine(Math.round(valueM * 1000) / 1000, units),
    };
  };
  if (view === 'top')
    return [
      line({ ...fromM, awayM: toM.awayM }, { ...toM, awayM: toM.awayM }, 0, -7, toM.asideM - fromM.asideM),
      line({ ...fromM, asideM: fromM.asideM }, { ...toM, asideM: fromM.asideM }, -8, 0, toM.awayM - fromM.awayM),
    ];
  if (view === 'side') {
    const rows = [...new Set(theatre.seats.map(({ row }) => row))].map((row) => theatre.seats.find((seat) => seat.row === row)!);
    const floor = { asideM: 0, upM: fromM.upM };
    return [
      line({ ...toM, ...floor, awayM: toM.awayM }, { ...toM, awayM: toM.awayM }, 8, 0, toM.upM - fromM.upM),
      ...rows.flatMap(({ at, distanceM }, n): TheatreMark[] => {
        if (distanceM === null) return [];
        const eye = frame.insideOf([...at, 0]);
        const picture = { ...floor, awayM: frame.insideOf(theatre.picture!.middle).awayM };
        return [line(picture, { ...floor, awayM: eye.awayM }, 0, -6 - 6 * n, distanceM)];
      }),
    ];
  }
  if (!theatre.picture) return [];
  const [a, b] = pictureCorners(theatre.picture, frame);
  return [
    line(a, b, 0, -5, theatre.picture.widthM),
    line({ ...fromM, upM: fromM.upM }, { ...fromM, upM: a.upM }, -6, 0, a.upM - fromM.upM),
  ];
}

/** Tables behind the drawing: a line for each speaker, seat and picture. */
export function theatreTables(project: ProjectDocument, roomId: string, words: TheatreSheetWords): TheatreTable[] {
  const room = project.rooms[roomId];
  if (!room) return [];
  const theatre = theatreOf(project, room);
  const seat = theatre.seats.findIndex(({ isReference }) => isReference);
  const frame = frameOf(project, room, theatre.picture);
  return [
    {
      section: 'speakers' as const,
      columns: ['channel', 'what', 'place', 'height', 'aim', 'cutOut', 'angle', 'window', 'distance', 'delay', 'trim'],
      rows: theatre.channels.map((one) => speakerRow(project, theatre, frame, one, seat, words)),
    },
    {
      section: 'seats' as const,
      columns: ['seat', 'row', 'distance', 'ear', 'eye', 'riser', 'picture', 'top', 'clears'],
      rows: theatre.seats.map((one, n) => seatRow(project, room, one, n, words)),
    },
    {
      section: 'pictures' as const,
      columns: ['what', 'size', 'place', 'height', 'figures'],
      rows: pictureRows(project, theatre, words),
    },
    { section: 'works' as const, columns: ['trade', 'what', 'figures'], rows: workRows(project, room, theatre, words) },
  ].filter(({ rows }) => rows.length > 0);
}

const degrees = (value: number, digits = 0): string => `${value.toFixed(digits)}°`;

function speakerRow(
  project: ProjectDocument,
  theatre: Theatre,
  frame: TheatreFrame,
  one: ChannelFigures,
  seat: number,
  words: TheatreSheetWords,
): string[] {
  const { units } = project.project;
  const device = project.devices[one.deviceId];
  const type = project.deviceTypes[device.typeId];
  const at = one.seats[seat];
  const { cutOut } = type;
  const size = (valueM: number) => formatLengthFine(valueM, units);
  const small = (valueM: number) => formatClearance(valueM, units);
  const sides = cutOut ? [small(cutOut.widthM), small(cutOut.heightM)] : [];
  const hole = !cutOut ? '' : cutOut.shape === 'round' ? `Ø ${sides[0]}` : sides.join(' × ');
  const isHidden = at?.sight === 'blocked' && one.channel !== 'subwoofer';
  return [
    `${words.codeOf(one.channel)} · ${words.channels[one.channel]}`,
    device.name ? `${type.name}, ${device.name}` : type.name,
    [placeOf(project, device, words), leadOf(project, theatre, frame, one, words)].filter(Boolean).join('; '),
    device.heightM === null ? words.atCeiling : size(device.heightM),
    aimOf(project, theatre, one, seat, words),
    hole,
    at ? `${degrees(mainAngleDeg(one.window, at))}${isHidden ? ` · ${words.hidden}` : ''}` : '',
    one.window ? `${one.window.mainDeg[0]}–${one.window.mainDeg[1]}°` : '',
    at ? formatLength(at.distanceM, units) : '',
    `${one.delayMs.toFixed(1)} ms`,
    `${one.trimDb.toFixed(1)} dB`,
  ];
}

const placeOf = (project: ProjectDocument, device: Device, { place }: TheatreSheetWords): string =>
  placeText(project, tapePlaceOf(project, device), place);

/** How a speaker is turned and tilted from square to its wall, to point at the reference seat. */
function aimOf(
  project: ProjectDocument,
  theatre: Theatre,
  { deviceId, at, channel }: ChannelFigures,
  seat: number,
  words: TheatreSheetWords,
): string {
  const ear = theatre.seats[seat];
  if (!ear || channel === 'subwoofer') return '';
  const device = project.devices[deviceId];
  const isCeiling = project.deviceTypes[device.typeId].mount === 'ceiling';
  const wallBearingDeg = (Math.atan2(Math.cos(device.facingRad), Math.sin(device.facingRad)) * 180) / Math.PI;
  const found = speakerAim.run({ speaker: [...at], target: [...ear.at, ear.earM], wallBearingDeg });
  if (!found.ok) return '';
  if (isCeiling) return `${degrees(90 + found.value.tiltDeg)} ${words.down}`;
  return words.turned(degrees(found.value.turnDeg), degrees(found.value.tiltDeg));
}

/** Where the lead of a speaker that stands on the floor comes out: beyond the edge of the picture and behind its case. */
function leadOf(
  project: ProjectDocument,
  { picture }: Theatre,
  frame: TheatreFrame,
  { deviceId, at, channel }: ChannelFigures,
  words: TheatreSheetWords,
): string {
  if (!picture || project.deviceTypes[project.devices[deviceId].typeId].mount !== 'stand' || channel === 'subwoofer') return '';
  const { asideM, awayM } = frame.insideOf(at);
  if (awayM > 2 * AT_FRONT_M) return '';
  const beyondM = Math.abs(asideM) - picture.widthM / 2;
  const { units } = project.project;
  return words.lead(formatLengthFine(Math.round(beyondM * 1000) / 1000, units), formatLengthFine(LEAD_WITHIN_M, units));
}

function seatRow(
  project: ProjectDocument,
  room: Room,
  one: Theatre['seats'][number],
  n: number,
  words: TheatreSheetWords,
): string[] {
  const { units } = project.project;
  const length = (valueM: number | null) => (valueM === null ? '' : formatLengthFine(Math.round(valueM * 1000) / 1000, units));
  return [
    one.isReference ? words.reference(n + 1) : String(n + 1),
    String(one.row),
    length(one.distanceM),
    length(one.earM),
    length(one.eyeM),
    length(one.floorM - room.floorM),
    one.viewingDeg === null ? '' : degrees(one.viewingDeg, 1),
    one.topDeg === null ? '' : degrees(one.topDeg, 1),
    length(one.clearanceM),
  ];
}

function pictureRows(project: ProjectDocument, { picture, projections }: Theatre, words: TheatreSheetWords): string[][] {
  const { units } = project.project;
  const size = (valueM: number) => formatLengthFine(Math.round(valueM * 1000) / 1000, units);
  const nameOf = (device: Device) => project.deviceTypes[device.typeId].name;
  const rows: string[][] = [];
  if (picture) {
    const device = project.devices[picture.deviceId];
    const aspect = (picture.widthM / picture.heightM).toFixed(2);
    rows.push([
      nameOf(device),
      `${size(picture.widthM)} × ${size(picture.heightM)}`,
      placeOf(project, device, words),
      `${size(picture.middle[2] - picture.heightM / 2)} – ${size(picture.middle[2] + picture.heightM / 2)}`,
      `${aspect} : 1`,
    ]);
  }
  for (const { deviceId, lens, throwM, windowM, shiftUp, shiftAside, cdM2 } of projections) {
    const device = project.devices[deviceId];
    const window = windowM ? ` (${size(windowM[0])} – ${size(windowM[1])})` : '';
    rows.push([
      nameOf(device),
      `${size(throwM)}${window}`,
      placeOf(project, device, words),
      size(lens[2]),
      `${Math.round(100 * shiftUp)} % / ${Math.round(100 * shiftAside)} %, ${Math.round(cdM2)} cd/m²`,
    ]);
  }
  return rows;
}

/** What the framer and the electrician do for the theatre: risers and steps, outlets and channels, blocking and fixing. */
function workRows(project: ProjectDocument, room: Room, theatre: Theatre, words: TheatreSheetWords): string[][] {
  const { units } = project.project;
  const size = (valueM: number) => formatLengthFine(Math.round(valueM * 1000) / 1000, units);
  const rows = [...new Set(theatre.seats.map(({ row }) => row))];
  const region = project.project.jurisdiction === 'UK' ? 'uk' : 'na';
  const risers = rows.flatMap((row): string[][] => {
    const riseM = theatre.seats.find((seat) => seat.row === row)!.floorM - room.floorM;
    const built = riserSteps.run({ riseM: Math.min(3, Math.max(0, riseM)), region });
    if (riseM <= 0 || !built.ok) return [];
    const { steps, stepM, runM } = built.value;
    const figures = words.steps(steps - 1, size(stepM), size(runM));
    return [
      ['framer', words.riser(row, size(riseM)), steps > 1 ? figures : ''],
      ...(steps > 1 ? [['electrician', words.stepLights(row), '']] : []),
    ];
  });
  const outlets = rows.map((row): string[] => ['electrician', words.rowOutlet(row), words.rowChannel]);
  const hung = [theatre.picture?.deviceId, ...theatre.projections.map(({ deviceId }) => deviceId)].flatMap((id): string[][] => {
    const type = id ? project.deviceTypes[project.devices[id].typeId] : undefined;
    if (!type) return [];
    const overhead = type.mount === 'ceiling';
    const { overhead: byOverhead, wall } = project.project.fixingFactors;
    const newtons = Math.ceil(overhead ? overheadRequiredN(type.weightKg, byOverhead) : wallRequiredN(type.weightKg, wall));
    return [
      ['framer', type.name, words.hang(type.weightKg, newtons, overhead)],
      ...(type.mainsW === null ? [] : [['electrician', type.name, words.outlet(type.mainsW)]]),
    ];
  });
  const plates = projectorMounts(project, room, theatre)
    .filter(({ seat }) => seat === 'half')
    .map(({ deviceId, lags, requiredN }): string[] => {
      const type = project.deviceTypes[project.devices[deviceId].typeId];
      return ['framer', type.name, words.projectorPlate(lags, Math.ceil(requiredN))];
    });
  const lights = theatre.picture?.kind === 'screen' ? [['electrician', words.lights, words.screenLights]] : [];
  return [...risers, ...frontRows(project, room, theatre, words), ...outlets, ...lights, ...hung, ...plates].map(
    ([trade, ...rest]) => [words.trades[trade as 'framer' | 'electrician'], ...rest],
  );
}

/** What is built before the front wall and beside the seats: panels, columns, drapes. */
function frontRows(project: ProjectDocument, room: Room, theatre: Theatre, words: TheatreSheetWords): string[][] {
  const { units } = project.project;
  const size = (valueM: number) => formatLengthFine(Math.round(valueM * 1000) / 1000, units);
  const panels = frontWallOf(project, room, theatre)?.panels;
  const { columnDepthM, drapedOpeningIds, standOffM } = theatre.aim;
  const figures = panels && [size(panels.widthM), size(panels.heightM), panels.eachKg.toFixed(1), size(standOffM)];
  return [
    ...(panels && figures
      ? [['framer', words.frontWall, words.panels(panels.count, figures[0], figures[1], figures[2], figures[3])]]
      : []),
    ...(panels && panels.openings.length > 0 ? [['framer', words.frontWall, words.panelOpening]] : []),
    ...(columnDepthM > 0 ? [['framer', words.columns(size(columnDepthM)), '']] : []),
    ...(drapedOpeningIds.length > 0 ? [['framer', words.drapes(drapedOpeningIds.length), '']] : []),
  ];
}
