import { LIGHT } from '@dusky-spool/design';
import { useEffect, useRef } from 'react';
import { closestOnSegment, type Point2 } from '@dusky-spool/core/math';
import type { Proposals } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import type { ShownDrawing } from '../../workers/drawing-jobs.ts';
import type { Role } from './layer-roles.ts';
import type { Revision } from './useRevision.ts';
import css from './survey.module.css';

interface Props {
  readonly drawing: ShownDrawing;
  readonly roles: Readonly<Record<string, Role>>;
  readonly metresPerUnit: number;
  /** Held to the plan: only what differs is shown. */
  readonly revision: Revision | null;
  readonly pointedPiece: string | null;
  readonly proposals: Proposals | null;
  readonly refused: ReadonlySet<number>;
  readonly shown: number | null;
  readonly missed: number;
  readonly onToggle: (index: number) => void;
}

const WIDTH = 700;
const HEIGHT = 520;
const COLOURS: Readonly<Record<Role, string>> = {
  walls: LIGHT.wall,
  openings: LIGHT.existing,
  furniture: LIGHT.timber,
  marks: LIGHT.guide,
  text: LIGHT.inkFaint,
  underlay: '#a99fc0',
  leave: 'transparent',
};

/** The drawing in the colours of what its layers mean, with the proposed walls over it. A click takes or leaves a wall. */
export function DrawingPreview({
  drawing,
  roles,
  metresPerUnit,
  proposals,
  refused,
  shown,
  missed,
  onToggle,
  revision,
  pointedPiece,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { bounds } = drawing;
  const k = Math.min((WIDTH - 24) / Math.max(1e-9, bounds.maxX), (HEIGHT - 24) / Math.max(1e-9, bounds.maxY));
  const at = (x: number, y: number): [number, number] => [12 + x * k, HEIGHT - 12 - y * k];
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, WIDTH, HEIGHT);
    for (const { name, lines } of drawing.layers) {
      context.strokeStyle = COLOURS[roles[name]];
      context.lineWidth = roles[name] === 'walls' ? 1.2 : 0.7;
      context.globalAlpha = proposals ? 0.35 : 1;
      context.beginPath();
      for (let i = 0; i < lines.length; i += 4) {
        context.moveTo(...at(lines[i], lines[i + 1]));
        context.lineTo(...at(lines[i + 2], lines[i + 3]));
      }
      context.stroke();
    }
    context.globalAlpha = 1;
    if (!proposals) return;
    if (revision) return void drawRevision(context, revision, pointedPiece, { at, k, metresPerUnit });
    drawProposals(context, proposals, { refused, shown, missed }, { at, k, metresPerUnit });
  });
  const click = (event: React.MouseEvent) => {
    if (!proposals || !canvas.current) return;
    const box = canvas.current.getBoundingClientRect();
    const [x, y] = [((event.clientX - box.left) * WIDTH) / box.width, ((event.clientY - box.top) * HEIGHT) / box.height];
    const p: Point2 = [((x - 12) / k) * metresPerUnit, ((HEIGHT - 12 - y) / k) * metresPerUnit];
    const near = proposals.walls
      .map(({ a, b }, i) => ({ i, away: closestOnSegment(p, a, b).distanceM }))
      .sort((m, n) => m.away - n.away)[0];
    if (near && near.away < (12 / k) * metresPerUnit) onToggle(near.i);
  };
  return (
    <canvas
      ref={canvas}
      width={WIDTH}
      height={HEIGHT}
      className={css.drawingPreview}
      role="img"
      aria-label={text('drawing.preview')}
      onClick={click}
    />
  );
}

/** The differences of a revised plan: as it was dashed, as it will be solid; what is not taken is pale. */
function drawRevision(
  context: CanvasRenderingContext2D,
  { pieces, place, refused }: Revision,
  pointed: string | null,
  { at, k, metresPerUnit }: Scale,
): void {
  const point = ([x, y]: Point2) => at((x - place[0]) / metresPerUnit, (y - place[1]) / metresPerUnit);
  for (const { id, before, after, halfM } of pieces) {
    const width = Math.max(2, ((2 * halfM) / metresPerUnit) * k * 0.6);
    context.globalAlpha = refused.has(id) ? 0.25 : id === pointed ? 1 : 0.8;
    for (const [lines, colour, dash] of [
      [before, '#b2373c', [6, 4]],
      [after, '#b4592a', []],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = lines === before ? 2 : width + (id === pointed ? 2 : 0);
      context.setLineDash([...dash]);
      for (const [a, b] of lines) {
        context.beginPath();
        context.moveTo(...point(a));
        context.lineTo(...point(b));
        context.stroke();
      }
    }
    context.setLineDash([]);
    if (id !== pointed) continue;
    const [first] = [...after, ...before];
    const [x, y] = point([(first[0][0] + first[1][0]) / 2, (first[0][1] + first[1][1]) / 2]);
    context.lineWidth = 2;
    context.beginPath();
    context.arc(x, y, 24, 0, 7);
    context.stroke();
  }
  context.globalAlpha = 1;
}

/** How drawing units lie in the picture. */
interface Scale {
  readonly at: (x: number, y: number) => [number, number];
  /** Pixels of a drawing unit. */
  readonly k: number;
  readonly metresPerUnit: number;
}

/** The walls that are proposed, and the lines that no proposal accounts for. */
function drawProposals(
  context: CanvasRenderingContext2D,
  proposals: Proposals,
  { refused, shown, missed }: Pick<Props, 'refused' | 'shown' | 'missed'>,
  { at, k, metresPerUnit }: Scale,
): void {
  const point = (p: Point2) => at(p[0] / metresPerUnit, p[1] / metresPerUnit);
  const line = (a: Point2, b: Point2) => {
    context.beginPath();
    context.moveTo(...point(a));
    context.lineTo(...point(b));
    context.stroke();
  };
  proposals.walls.forEach(({ a, b, thicknessM, openings }, i) => {
    context.strokeStyle = refused.has(i) ? '#a99fc0' : '#b4592a';
    context.globalAlpha = i === shown ? 1 : 0.7;
    context.lineWidth = Math.max(2, (thicknessM / metresPerUnit) * k) + (i === shown ? 2 : 0);
    line(a, b);
    context.globalAlpha = 1;
    context.strokeStyle = '#fffdf8';
    context.lineWidth = Math.max(1, (thicknessM / metresPerUnit) * k * 0.6);
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    for (const { offsetM, widthM } of openings) {
      const on = (s: number): Point2 => [a[0] + ((b[0] - a[0]) * s) / length, a[1] + ((b[1] - a[1]) * s) / length];
      line(on(offsetM - widthM / 2), on(offsetM + widthM / 2));
    }
  });
  context.strokeStyle = '#b2373c';
  context.lineWidth = 2.5;
  proposals.unclaimed.forEach(([a, b], i) => {
    context.setLineDash(i === missed ? [] : [5, 3]);
    line(a, b);
    if (i !== missed) return;
    const [x, y] = point([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]);
    context.beginPath();
    context.arc(x, y, 22, 0, 7);
    context.stroke();
  });
  context.setLineDash([]);
}
