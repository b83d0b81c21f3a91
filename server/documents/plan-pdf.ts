import { PRINT } from '@dusky-spool/design';
import { NOTE_MM, type PlanSheet, type SheetMark, WALL_TAG_MM } from '@dusky-spool/core/sheets';
import type { ProjectHeader } from '@dusky-spool/core/model';
import { FONTS, POINTS_PER_MM, SYSTEM_LINES } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { drawPageNumber, drawTables, type SheetTable } from './tables-pdf.ts';
import { words } from '@dusky-spool/texts';

const { ink: INK, inkSoft: SOFT, ruleDark: LINE } = PRINT;

export interface PlanTitle {
  readonly project: ProjectHeader;
  readonly level: string;
  readonly revision: number;
  /** Printed as given, e.g. 2026-11-24. */
  readonly date: string;
}

/** One level to scale on one sheet, with title block, north, key of marks and legend; then the list of its devices. */
export function planPdf(sheet: PlanSheet, title: PlanTitle, list: readonly SheetTable[]): Promise<Buffer> {
  const mm = (length: number) => length * POINTS_PER_MM;
  const size: [number, number] = [mm(sheet.widthMm), mm(sheet.heightMm)];
  const draw = (pdf: PDFKit.PDFDocument, addPage: () => void) => {
    drawPlan(pdf, sheet, title);
    if (list.length === 0) return;
    addPage();
    drawTables({ pdf, addPage, sheet: 'plan', tables: list, title, size });
  };
  return pdfBuffer(size, { Title: `${title.project.name}, ${title.level}` }, draw, (pdf, page, pages) => {
    if (page > 1) drawPageNumber(pdf, size, page, pages);
  });
}

/** The number of a sheet among all of a set, in its title block. */
export function drawSheetNumber(
  pdf: PDFKit.PDFDocument,
  { widthMm, heightMm, marginMm, titleBlockMm }: Pick<Sheet, 'widthMm' | 'heightMm' | 'marginMm' | 'titleBlockMm'>,
  page: number,
  pages: number,
): void {
  const inner = widthMm - 2 * marginMm;
  const x = marginMm + 0.62 * inner + 4;
  const number = words.t('documents.plan.sheetNumber', { sheet: page, sheets: pages });
  pdf.save();
  pdf.transform(POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, heightMm * POINTS_PER_MM);
  const space = { x, y: marginMm + titleBlockMm - 7.5, width: (0.38 * inner - 7) / 5 - 2, lines: 1 };
  writeIn(pdf, number, space, 3.2, FONTS.uiBold, INK);
  pdf.restore();
}

/** What a plan of a set says instead of its usual heading, and that it is numbered with the others. */
interface PlanOfSet {
  readonly heading: string;
  readonly isNumberedLater: boolean;
}

/** A plan on the page that is open, with its frame, key and title block. */
export function drawPlan(pdf: PDFKit.PDFDocument, sheet: PlanSheet, title: PlanTitle, ofSet?: PlanOfSet): void {
  const mm = (length: number) => length * POINTS_PER_MM;
  const inset = sheet.marginMm;
  pdf.save();
  // Paper millimetres, y up, as the sheet is laid out.
  pdf.transform(POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, mm(sheet.heightMm));
  [...sheet.marks].sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind)).forEach((mark) => drawMark(pdf, mark));
  drawTitleBlock(pdf, ofSet?.isNumberedLater ? { ...sheet, number: null } : sheet, title, {
    heading:
      ofSet?.heading ?? words.t(sheet.key.length > 0 ? 'documents.sheetOf' : 'documents.plan.wallsOf', { level: title.level }),
    aid: `${words.t('documents.aid')} ${words.t('documents.boring')}`,
  });
  const keyLeft = sheet.widthMm - inset - sheet.keyMm;
  pdf
    .moveTo(keyLeft, inset + sheet.titleBlockMm)
    .lineTo(keyLeft, sheet.heightMm - inset)
    .stroke();
  drawKey(pdf, sheet, title.project.northRad);
  pdf.restore();
}

/** What is drawn over what. */
const ORDER: readonly SheetMark['kind'][] = [
  ...(['riser', 'wall', 'opening', 'leaf', 'dimension', 'conduit', 'rack', 'run'] as const),
  ...(['room', 'wall-number', 'corner', 'hole', 'note', 'device'] as const),
];

const WHITE = '#ffffff';

/** Text in the flipped page: `size` and place in mm, from its left end or middle. */
export function write(
  pdf: PDFKit.PDFDocument,
  text: string,
  x: number,
  y: number,
  size: number,
  font: string,
  colour: string,
  middle = false,
): void {
  pdf.save().translate(x, y).scale(1, -1);
  pdf.font(font).fontSize(size).fillColor(colour);
  pdf.text(text, middle ? -pdf.widthOfString(text) / 2 : 0, -size * 0.75, { lineBreak: false });
  pdf.restore();
}

/** Lines through points of the page, which may close. */
export function path(pdf: PDFKit.PDFDocument, points: readonly (readonly [number, number])[], closed: boolean): void {
  points.forEach(([x, y], i) => (i === 0 ? pdf.moveTo(x, y) : pdf.lineTo(x, y)));
  if (closed) pdf.closePath();
}

type RoomMark = Extract<SheetMark, { kind: 'room' }>;

/** A name on a ground of its own, so that no cable crosses its letters. */
function drawRoom(pdf: PDFKit.PDFDocument, mark: RoomMark): void {
  const lines = [...mark.lines.map((line) => line.toUpperCase()), mark.code, ...(mark.clear ? [mark.clear] : [])];
  const widths = lines.map((line, i) =>
    (i < mark.lines.length ? pdf.font(FONTS.tagBold).fontSize(2.6) : pdf.font(FONTS.tag).fontSize(2.2)).widthOfString(line),
  );
  const [width, height] = [Math.max(...widths) + 1, lines.length * 2.9 + 0.4];
  pdf
    .fillColor(WHITE)
    .rect(mark.at[0] - width / 2, mark.at[1] - height / 2, width, height)
    .fill();
  lines.forEach((line, i) => {
    const y = mark.at[1] + ((lines.length - 1) / 2 - i) * 2.9;
    const isName = i < mark.lines.length;
    const x = mark.at[0];
    if (isName) write(pdf, line, x, y, 2.6, FONTS.tagBold, SOFT, true);
    else write(pdf, line, x, y, 2.2, FONTS.tag, SOFT, true);
  });
}

type NoteMark = Extract<SheetMark, { kind: 'note' }>;

function drawNote(pdf: PDFKit.PDFDocument, mark: NoteMark): void {
  pdf.font(FONTS.tagBold).fontSize(NOTE_MM.size);
  const width = Math.max(...mark.lines.map((line) => pdf.widthOfString(line))) + 0.6;
  const height = mark.lines.length * NOTE_MM.line;
  pdf
    .fillColor(WHITE)
    .fillOpacity(0.85)
    .rect(mark.at[0], mark.at[1] - height, width, height)
    .fill()
    .fillOpacity(1);
  mark.lines.forEach((line, i) => {
    const y = mark.at[1] - (i + 0.5) * NOTE_MM.line;
    write(pdf, line, mark.at[0] + 0.3, y, NOTE_MM.size, i === 0 ? FONTS.tagBold : FONTS.tag, INK);
  });
}

/** A door or an archway is a gap with its jambs; a window has its frame and two panes. */
function drawOpening(pdf: PDFKit.PDFDocument, { points, opening }: Extract<SheetMark, { kind: 'opening' }>): void {
  pdf.lineWidth(0.18).fillColor(WHITE).strokeColor(INK);
  path(pdf, points, true);
  if (opening === 'window') pdf.fillAndStroke();
  else pdf.fill();
  const [p, q, r, s] = points;
  const between = ([ax, ay]: readonly number[], [bx, by]: readonly number[], share: number): [number, number] => [
    ax + (bx - ax) * share,
    ay + (by - ay) * share,
  ];
  const lines: Record<typeof opening, (readonly (readonly [number, number])[])[]> = {
    door: [
      [p, s],
      [q, r],
    ],
    arch: [
      [p, s],
      [q, r],
    ],
    window: [0.4, 0.6].map((share) => [between(p, s, share), between(q, r, share)]),
  };
  for (const line of lines[opening]) path(pdf, line, false);
  pdf.stroke();
  if (opening !== 'arch') return;
  pdf.dash(0.8, { space: 0.6 });
  path(pdf, [p, q], false);
  path(pdf, [s, r], false);
  pdf.stroke().undash();
}

const SWING_STEPS = 10;

/** The leaf of a door and the way of its end. */
function drawLeaf(pdf: PDFKit.PDFDocument, [hinge, open, shut]: readonly (readonly [number, number])[]): void {
  const radius = Math.hypot(open[0] - hinge[0], open[1] - hinge[1]);
  const from = Math.atan2(open[1] - hinge[1], open[0] - hinge[0]);
  const turn = Math.atan2(shut[1] - hinge[1], shut[0] - hinge[0]) - from;
  const short = Math.atan2(Math.sin(turn), Math.cos(turn));
  pdf.lineWidth(0.3).strokeColor(INK);
  path(pdf, [hinge, open], false);
  pdf.stroke();
  pdf.lineWidth(0.15).strokeColor(SOFT);
  path(
    pdf,
    Array.from({ length: SWING_STEPS + 1 }, (_, n): [number, number] => {
      const angle = from + (short * n) / SWING_STEPS;
      return [hinge[0] + radius * Math.cos(angle), hinge[1] + radius * Math.sin(angle)];
    }),
    false,
  );
  pdf.stroke();
}

/** The number of a wall, or the name of a corner, on its tag. */
function drawTag(pdf: PDFKit.PDFDocument, [x, y]: readonly [number, number], number: string): void {
  const { height } = WALL_TAG_MM;
  const width = Math.max(WALL_TAG_MM.width, pdf.font(FONTS.tagBold).fontSize(1.9).widthOfString(number) + 1);
  pdf.lineWidth(0.15).fillColor(WHITE).strokeColor(INK);
  pdf.rect(x - width / 2, y - height / 2, width, height).fillAndStroke();
  write(pdf, number, x, y - 0.1, 1.9, FONTS.tagBold, INK, true);
}

type DimensionMark = Pick<Extract<SheetMark, { kind: 'dimension' }>, 'points' | 'text'>;

/** A line with its length, and a tick at each end, mm long on both sides. */
export function drawDimension(pdf: PDFKit.PDFDocument, mark: DimensionMark, tickMm = 1.2): void {
  const [[ax, ay], [bx, by]] = mark.points;
  const isUpright = Math.abs(ax - bx) < 0.01;
  const tick = isUpright ? [tickMm, 0] : [0, tickMm];
  pdf.lineWidth(0.18).strokeColor(SOFT);
  path(pdf, mark.points, false);
  for (const [x, y] of mark.points)
    path(
      pdf,
      [
        [x - tick[0], y - tick[1]],
        [x + tick[0], y + tick[1]],
      ],
      false,
    );
  pdf.stroke();
  pdf.save().translate((ax + bx) / 2, (ay + by) / 2);
  if (isUpright) pdf.rotate(90);
  write(pdf, mark.text, 0, 1.6, 2.2, FONTS.tag, INK, true);
  pdf.restore();
}

function drawMark(pdf: PDFKit.PDFDocument, mark: SheetMark): void {
  // A PDF wants its pen set before a path is begun.
  pdf.undash();
  switch (mark.kind) {
    case 'wall':
      pdf.fillColor(INK);
      path(pdf, mark.points, true);
      pdf.fill();
      break;
    case 'opening':
      return drawOpening(pdf, mark);
    case 'leaf':
      return drawLeaf(pdf, mark.points);
    case 'wall-number':
      return drawTag(pdf, mark.at, mark.number);
    case 'corner':
      pdf.fillColor(PRINT.accent).circle(mark.at[0], mark.at[1], 0.9).fill();
      drawTag(pdf, [mark.at[0] + 3.2 * mark.outward[0], mark.at[1] + 2.2 * mark.outward[1]], mark.name);
      break;
    case 'room':
      return drawRoom(pdf, mark);
    case 'note':
      return drawNote(pdf, mark);
    case 'dimension':
      return drawDimension(pdf, mark);
    case 'hole':
      return drawHole(pdf, mark.at, mark.number);
    case 'conduit':
      return drawConduit(pdf, mark);
    case 'riser':
      pdf.lineWidth(0.25).strokeColor(PRINT.accent);
      path(pdf, mark.points, true);
      path(pdf, [mark.points[0], mark.points[2]], false);
      path(pdf, [mark.points[1], mark.points[3]], false);
      pdf.stroke();
      break;
    case 'rack':
      pdf.fillColor(PRINT.hole);
      path(pdf, mark.points, true);
      pdf.fill();
      write(
        pdf,
        mark.code,
        (mark.points[0][0] + mark.points[2][0]) / 2,
        (mark.points[0][1] + mark.points[2][1]) / 2,
        2.6,
        FONTS.tagBold,
        '#ffffff',
        true,
      );
      break;
    case 'run':
      pen(pdf, mark.system, 0.3);
      path(pdf, mark.points, false);
      pdf.stroke();
      break;
    case 'device': {
      const { colour } = SYSTEM_LINES[mark.system];
      const [x, y] = mark.at;
      const [c, s] = [Math.cos(mark.facingRad), Math.sin(mark.facingRad)];
      pdf.fillColor(colour);
      path(
        pdf,
        [
          [x + 3.6 * c, y + 3.6 * s],
          [x - 1.2 * s, y + 1.2 * c],
          [x + 1.2 * s, y - 1.2 * c],
        ],
        true,
      );
      pdf.fill();
      pdf.lineWidth(0.3).fillColor('#ffffff').strokeColor(colour);
      if (mark.prepared) pdf.dash(0.8, { space: 0.6 });
      pdf.roundedRect(x - 2.7, y - 1.8, 5.4, 3.6, 1.7).fillAndStroke();
      pdf.undash();
      write(pdf, mark.code, x, y - 0.1, 2.5, FONTS.tagBold, colour, true);
    }
  }
}

function drawConduit(pdf: PDFKit.PDFDocument, { points, text }: Extract<SheetMark, { kind: 'conduit' }>): void {
  pdf.lineWidth(1.1).strokeColor(INK);
  path(pdf, points, false);
  pdf.stroke();
  write(pdf, text, points[0][0] + 1.5, points[0][1] + 2.4, 2.2, FONTS.tagBold, INK);
}

/** A place that is bored: a diamond with its number beside it. */
function drawHole(pdf: PDFKit.PDFDocument, [x, y]: readonly [number, number], number: string): void {
  const half = 1;
  pdf.lineWidth(0.25).fillColor(WHITE).strokeColor(INK);
  path(
    pdf,
    [
      [x, y + half],
      [x + half, y],
      [x, y - half],
      [x - half, y],
    ],
    true,
  );
  pdf.fillAndStroke();
  write(pdf, number, x + 1.3, y + 0.9, 1.6, FONTS.tagBold, INK);
}

/** A system's colour and dash pattern, so that a monochrome print can be read. */
function pen(pdf: PDFKit.PDFDocument, system: keyof typeof SYSTEM_LINES, width: number): void {
  const { colour, dash } = SYSTEM_LINES[system];
  if (dash.length > 0) pdf.dash([...dash] as never, {});
  else pdf.undash();
  pdf.lineWidth(width).strokeColor(colour);
}

function drawScaleBar(pdf: PDFKit.PDFDocument, sheet: Sheet & { readonly scale: number }, units: ProjectHeader['units']): void {
  const unitMm = (units === 'metric' ? 1000 : 304.8) / sheet.scale;
  const step = [1, 2, 5, 10, 20].find((n) => n * unitMm >= 12) ?? 50;
  const [x, y] = [sheet.widthMm - sheet.marginMm - 4 - 2 * step * unitMm - 8, sheet.marginMm + 9];
  [0, 1].forEach((i) => {
    pdf
      .rect(x + i * step * unitMm, y, step * unitMm, 1.4)
      .lineWidth(0.2)
      .fillColor(i === 0 ? INK : '#ffffff')
      .strokeColor(INK)
      .fillAndStroke();
  });
  [0, step, 2 * step].forEach((n) =>
    write(
      pdf,
      n === 2 * step ? `${n} ${units === 'metric' ? 'm' : 'ft'}` : String(n),
      x + n * unitMm,
      y + 3.4,
      2.3,
      FONTS.tag,
      SOFT,
      true,
    ),
  );
}

const KEY_LINE_MM = 4.2;

/** North, what the marks mean, and the lines of the systems. What does not fit is in the list on the next page. */
function drawKey(pdf: PDFKit.PDFDocument, sheet: PlanSheet, northRad: number | null): void {
  const left = sheet.widthMm - sheet.marginMm - sheet.keyMm + 3;
  const right = sheet.widthMm - sheet.marginMm - 2;
  let y = sheet.heightMm - sheet.marginMm - 4;
  drawNorth(pdf, left + 5, y - 4, northRad);
  y -= 14;
  const heading = (words_: string) => {
    write(pdf, words_.toUpperCase(), left, y, 2.1, FONTS.tagBold, SOFT);
    y -= KEY_LINE_MM;
  };
  const fromWalls = words.t('documents.plan.wallNumbers');
  writeIn(pdf, fromWalls, { x: left, y, width: right - left, lines: 4 }, 2, FONTS.tag, SOFT);
  y -= 13;
  if (sheet.key.length === 0) return;
  heading(words.t('documents.plan.key'));
  const lowest = sheet.marginMm + sheet.titleBlockMm + 4;
  const free = Math.floor((y - lowest) / KEY_LINE_MM) - sheet.systems.length - 1 - (sheet.withoutNote > 0 ? 3 : 0);
  const shown = sheet.key.length <= free ? sheet.key : sheet.key.slice(0, Math.max(0, free - 1));
  for (const { code, system, name, count } of shown) {
    const { colour } = SYSTEM_LINES[system];
    pdf.undash().lineWidth(0.25).fillColor(WHITE).strokeColor(colour);
    pdf.roundedRect(left, y - 1.4, 5, 2.8, 1.3).fillAndStroke();
    write(pdf, code, left + 2.5, y - 0.1, 2, FONTS.tagBold, colour, true);
    writeIn(pdf, `${name} (${count})`, { x: left + 6.5, y, width: right - left - 6.5, lines: 1 }, 2.2, FONTS.tag, INK);
    y -= KEY_LINE_MM;
  }
  if (shown.length < sheet.key.length) {
    const more = words.t('documents.plan.more', { count: sheet.key.length - shown.length });
    write(pdf, more, left, y, 2.2, FONTS.tag, SOFT);
    y -= KEY_LINE_MM;
  }
  heading(words.t('documents.plan.lines'));
  for (const system of sheet.systems) {
    pen(pdf, system, 0.4);
    pdf
      .moveTo(left, y)
      .lineTo(left + 9, y)
      .stroke();
    write(pdf, words.t(`terms.systems.${system}`), left + 11, y, 2.2, FONTS.tag, INK);
    y -= KEY_LINE_MM;
  }
  if (sheet.withoutNote > 0) {
    const without = words.t('documents.plan.withoutNote', { count: sheet.withoutNote });
    writeIn(pdf, without, { x: left, y, width: right - left, lines: 3 }, 2, FONTS.tag, SOFT);
  }
}

function drawNorth(pdf: PDFKit.PDFDocument, x: number, y: number, northRad: number | null): void {
  pdf.undash().lineWidth(0.25).strokeColor(INK).circle(x, y, 4).stroke();
  if (northRad === null) {
    write(pdf, words.t('documents.plan.noNorth'), x + 6.5, y, 2.2, FONTS.tag, SOFT);
    return;
  }
  const [c, s] = [Math.cos(northRad), Math.sin(northRad)];
  const at = (along: number, aside: number): [number, number] => [x + along * c - aside * s, y + along * s + aside * c];
  pdf.fillColor(INK);
  path(pdf, [at(3.6, 0), at(-2.6, 1.6), at(-1.4, 0), at(-2.6, -1.6)], true);
  pdf.fill();
  write(pdf, words.t('documents.plan.north'), x + 6.5, y, 2.6, FONTS.tagBold, INK);
}

interface Space {
  readonly x: number;
  /** Middle of the first line. */
  readonly y: number;
  readonly width: number;
  readonly lines: number;
}

/** Text that is never cut: smaller where it is long, and then in several lines. */
function writeIn(pdf: PDFKit.PDFDocument, text: string, space: Space, size: number, font: string, colour: string): void {
  for (let now = size; ; now *= 0.92) {
    pdf.font(font).fontSize(now);
    const lines = wrapped(pdf, text, space.width);
    if (lines.length > space.lines && now > size * 0.45) continue;
    lines.forEach((line, i) => write(pdf, line, space.x, space.y - i * now * 1.15, now, font, colour));
    return;
  }
}

/** Lines no wider than a width, broken between words, and inside a word that is wider itself. */
function wrapped(pdf: PDFKit.PDFDocument, text: string, width: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/)) {
    const joined = lines.length > 0 ? `${lines[lines.length - 1]} ${word}` : word;
    if (lines.length > 0 && pdf.widthOfString(joined) <= width) lines[lines.length - 1] = joined;
    else
      for (let rest = word; rest !== '';) {
        let count = rest.length;
        while (count > 1 && pdf.widthOfString(rest.slice(0, count)) > width) count--;
        lines.push(rest.slice(0, count));
        rest = rest.slice(count);
      }
  }
  return lines;
}

/** What of a sheet to scale its title block says. */
type Sheet = Pick<PlanSheet, 'paper' | 'widthMm' | 'heightMm' | 'marginMm' | 'titleBlockMm'> & {
  /** Null is not to scale. */
  readonly scale: number | null;
  /** Null where it is numbered among all sheets at the end. */
  readonly number: PlanSheet['number'] | null;
};
interface TitleWords {
  readonly heading: string;
  readonly aid: string;
}

/** Frame, scale bar and title block of a sheet to scale. */
export function drawTitleBlock(pdf: PDFKit.PDFDocument, sheet: Sheet, title: PlanTitle, said: TitleWords): void {
  const inset = sheet.marginMm;
  pdf.lineWidth(0.35).strokeColor(INK).undash();
  pdf.rect(inset, inset, sheet.widthMm - 2 * inset, sheet.heightMm - 2 * inset).stroke();
  pdf
    .moveTo(inset, inset + sheet.titleBlockMm)
    .lineTo(sheet.widthMm - inset, inset + sheet.titleBlockMm)
    .stroke();
  if (sheet.scale !== null) drawScaleBar(pdf, { ...sheet, scale: sheet.scale }, title.project.units);
  drawTitle(pdf, sheet, title, said);
}

/** House and client on the left, the firm in the middle, what this issue is on the right. */
function drawTitle(
  pdf: PDFKit.PDFDocument,
  sheet: Sheet,
  { project, revision, date }: PlanTitle,
  { heading, aid }: TitleWords,
): void {
  const top = sheet.marginMm + sheet.titleBlockMm;
  const inner = sheet.widthMm - 2 * sheet.marginMm;
  const columns = [0, 0.36, 0.62, 1].map((share) => sheet.marginMm + share * inner);
  const widthOf = (n: number) => columns[n + 1] - columns[n] - 7;
  const label = (x: number, y: number, of: string) => write(pdf, of.toUpperCase(), x, y, 2, FONTS.tag, SOFT);
  pdf.undash().lineWidth(0.2).strokeColor(LINE);
  for (const x of columns.slice(1, 3))
    pdf
      .moveTo(x, sheet.marginMm + 9)
      .lineTo(x, top - 2)
      .stroke();
  const [one, two, three] = columns.map((x) => x + 4);
  writeIn(pdf, project.name, { x: one, y: top - 4.5, width: widthOf(0), lines: 1 }, 5, FONTS.uiBold, INK);
  writeIn(pdf, heading, { x: one, y: top - 10, width: widthOf(0), lines: 1 }, 3.4, FONTS.ui, INK);
  writeIn(pdf, project.address, { x: one, y: top - 14.5, width: widthOf(0), lines: 2 }, 2.6, FONTS.ui, INK);
  label(two, top - 3.5, words.t('documents.plan.firm'));
  writeIn(pdf, project.firm || '–', { x: two, y: top - 7, width: widthOf(1), lines: 1 }, 3.2, FONTS.uiBold, INK);
  writeIn(pdf, project.firmContact, { x: two, y: top - 10.5, width: widthOf(1), lines: 2 }, 2.3, FONTS.ui, INK);
  label(two, top - 15, words.t('documents.drawnFor'));
  writeIn(pdf, project.client || '–', { x: two, y: top - 18.5, width: widthOf(1), lines: 1 }, 3, FONTS.ui, INK);
  const fields = [
    [words.t('documents.plan.sheet'), sheet.number === null ? '' : words.t('documents.plan.sheetNumber', sheet.number)],
    [words.t('documents.scale'), sheet.scale === null ? words.t('documents.plan.noScale') : `1:${sheet.scale}`],
    [words.t('documents.paper'), sheet.paper],
    [words.t('documents.revision'), String(revision)],
    [words.t('documents.date'), date],
  ];
  fields.forEach(([name, value], i) => {
    const x = three + i * (widthOf(2) / fields.length);
    label(x, top - 3.5, name);
    const space = { x, y: top - 7.5, width: widthOf(2) / fields.length - 2, lines: 1 };
    if (value !== '') writeIn(pdf, value, space, 3.2, FONTS.uiBold, INK);
  });
  writeIn(pdf, aid, { x: one, y: sheet.marginMm + 6, width: inner - 60, lines: 2 }, 2.3, FONTS.tag, SOFT);
}
