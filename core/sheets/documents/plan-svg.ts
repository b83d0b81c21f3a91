import { escaped, mm } from '../svg-text.ts';
import type { PlanSheet } from './plan-sheet.ts';
import type { SheetMark } from './plan-marks.ts';

/** Colors and line styles that the drawing takes from outside. */
export interface PlanSvgPens {
  readonly ink: string;
  readonly soft: string;
  readonly systems: Readonly<Record<string, { readonly colour: string; readonly dash: readonly number[] }>>;
}

/** A level to scale as an SVG in mm, with the runs and devices of each system in a group of its own. */
export function planSvg(sheet: PlanSheet, title: string, pens: PlanSvgPens): string {
  const { widthMm, heightMm } = sheet;
  const points = (all: readonly (readonly [number, number])[]) => all.map(([x, y]) => `${mm(x)},${mm(heightMm - y)}`).join(' ');
  const text = ([x, y]: readonly [number, number], size: number, words: string, color: string, anchor = 'start') =>
    `<text x="${mm(x)}" y="${mm(heightMm - y + size * 0.35)}" font-size="${size}" fill="${color}" text-anchor="${anchor}">${escaped(words)}</text>`;
  const drawn = (mark: SheetMark): string => {
    switch (mark.kind) {
      case 'wall':
        return `<polygon points="${points(mark.points)}" fill="${pens.ink}"/>`;
      case 'opening':
        return `<polygon points="${points(mark.points)}" fill="#fff" stroke="${pens.ink}" stroke-width="0.18"/>`;
      case 'leaf':
      case 'riser':
        return `<polyline points="${points(mark.kind === 'leaf' ? mark.points.slice(0, 2) : mark.points)}" fill="none" stroke="${pens.soft}" stroke-width="0.25"/>`;
      case 'rack':
        return `<polygon points="${points(mark.points)}" fill="${pens.soft}"/>`;
      case 'room':
        return mark.lines.map((line, n) => text([mark.at[0], mark.at[1] - n * 3], 2.6, line, pens.soft, 'middle')).join('');
      case 'run': {
        const { colour, dash } = pens.systems[mark.system];
        return `<polyline points="${points(mark.points)}" fill="none" stroke="${colour}" stroke-width="0.3" stroke-dasharray="${dash.join(' ') || 'none'}"/>`;
      }
      case 'device': {
        const { colour } = pens.systems[mark.system];
        const [x, y] = mark.at;
        return `<rect x="${mm(x - 2.7)}" y="${mm(heightMm - y - 1.8)}" width="5.4" height="3.6" rx="1.7" fill="#fff" stroke="${colour}" stroke-width="0.3"/>${text([x, y], 2.4, mark.code, colour, 'middle')}`;
      }
      case 'dimension': {
        const [[ax, ay], [bx, by]] = mark.points;
        const words = text([(ax + bx) / 2, (ay + by) / 2 + 1.6], 2.2, mark.text, pens.ink, 'middle');
        return `<polyline points="${points(mark.points)}" stroke="${pens.soft}" stroke-width="0.18"/>${words}`;
      }
      default:
        return '';
    }
  };
  const group = (id: string, marks: readonly SheetMark[]) => `<g id="${escaped(id)}">${marks.map(drawn).join('\n')}</g>`;
  const isOf = (system: string) => (mark: SheetMark) => 'system' in mark && mark.system === system;
  const house = sheet.marks.filter((mark) => !('system' in mark));
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(widthMm)}mm" height="${mm(heightMm)}mm" viewBox="0 0 ${mm(widthMm)} ${mm(heightMm)}" font-family="sans-serif">`,
    `<title>${escaped(title)}, 1:${sheet.scale}</title>`,
    `<rect width="${mm(widthMm)}" height="${mm(heightMm)}" fill="#fff"/>`,
    group('house', house),
    ...sheet.systems.map((system) => group(system, sheet.marks.filter(isOf(system)))),
    '</svg>',
    '',
  ].join('\n');
}
