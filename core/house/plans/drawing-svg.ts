import type { Drawing } from './drawing.ts';

/** Pixels of our own plan pictures to a metre: a centimetre each. */
export const SVG_PX_PER_M = 100;

/** A drawing as a picture of plain lines, one path a layer; what a browser needs to show it sharp at any zoom. */
export function drawingSvg(
  drawing: Drawing,
  metresPerUnit: number,
  layers: ReadonlySet<string>,
): { svg: string; widthPx: number; heightPx: number } {
  const k = metresPerUnit * SVG_PX_PER_M;
  const widthPx = Math.max(1, Math.ceil(drawing.bounds.maxX * k));
  const heightPx = Math.max(1, Math.ceil(drawing.bounds.maxY * k));
  const paths = drawing.layers
    .filter(({ name }) => layers.has(name))
    .map(({ lines }) => {
      const parts: string[] = [];
      for (let i = 0; i < lines.length; i += 4) {
        const [x0, y0, x1, y1] = [
          px(lines[i] * k),
          px(heightPx - lines[i + 1] * k),
          px(lines[i + 2] * k),
          px(heightPx - lines[i + 3] * k),
        ];
        parts.push(`M${x0} ${y0}L${x1} ${y1}`);
      }
      return `<path d="${parts.join('')}"/>`;
    });
  const texts = drawing.texts
    .filter(({ layer }) => layers.has(layer))
    .map(
      ({ x, y, height, text }) =>
        `<text x="${px(x * k)}" y="${px(heightPx - y * k)}" font-size="${px(Math.max(1, height * k))}" stroke="none" fill="#333">${escaped(text)}</text>`,
    );
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${widthPx} ${heightPx}"><g fill="none" stroke="#333" stroke-width="1" font-family="sans-serif">${paths.join('')}${texts.join('')}</g></svg>`;
  return { svg, widthPx, heightPx };
}

const px = (value: number) => Math.round(value * 10) / 10;
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
