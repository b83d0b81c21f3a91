import PDFDocument from 'pdfkit';
import { piecesOf } from './glyphs.ts';

type Options = PDFKit.Mixins.TextOptions;

/**
 * Draws a PDF and returns its bytes. Sizes in points; a page may have another size than the first. A character that the face in hand does not have is drawn in another one. At the end
 * `onEveryPage` adds what needs to know how many pages there are.
 */
export function pdfBuffer(
  size: [number, number],
  info: { Title: string },
  draw: (pdf: PDFKit.PDFDocument, addPage: (other?: readonly [number, number]) => void) => void,
  onEveryPage?: (pdf: PDFKit.PDFDocument, page: number, pages: number) => void,
): Promise<Buffer> {
  return new Promise((done, failed) => {
    const pdf = new PDFDocument({ size, margin: 0, autoFirstPage: true, info, bufferPages: onEveryPage !== undefined });
    const parts: Buffer[] = [];
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => done(Buffer.concat(parts)));
    pdf.on('error', failed);
    withAllSigns(pdf);
    draw(pdf, (other) => void pdf.addPage({ size: other ? [...other] : size, margin: 0 }));
    if (onEveryPage) {
      const { start, count } = pdf.bufferedPageRange();
      for (let page = 0; page < count; page++) {
        pdf.switchToPage(start + page);
        onEveryPage(pdf, page + 1, count);
      }
    }
    pdf.end();
  });
}

/** Has a document draw every character that any face of the app has. */
function withAllSigns(pdf: PDFKit.PDFDocument): void {
  const [plainFont, plainText] = [pdf.font.bind(pdf), pdf.text.bind(pdf)];
  let face: string | null = null;
  pdf.font = ((source: string, ...rest: []) => {
    face = source;
    return plainFont(source, ...rest);
  }) as typeof pdf.font;
  pdf.text = ((text: string, x?: number | Options, y?: number, given?: Options) => {
    const pieces = face === null ? [] : piecesOf(text, face);
    if (pieces.every((piece) => piece.face === face)) return plainText(text, x as number, y, given);
    const options = (typeof x === 'object' ? x : given) ?? {};
    const own = face!;
    const at = typeof x === 'number' ? [aligned(pdf, pieces, x, options, plainFont), y!] : null;
    pieces.forEach((piece, n) => {
      plainFont(piece.face);
      const here = { ...options, align: undefined, continued: n < pieces.length - 1 };
      if (n === 0 && at) plainText(piece.text, at[0], at[1], here);
      else plainText(piece.text, here);
    });
    plainFont(own);
    return pdf;
  }) as typeof pdf.text;
}

/** Where a text in several faces begins, so that it ends or has its middle where it should. */
function aligned(
  pdf: PDFKit.PDFDocument,
  pieces: ReturnType<typeof piecesOf>,
  x: number,
  { align, width }: Options,
  font: (source: string) => unknown,
): number {
  if (width === undefined || (align !== 'right' && align !== 'center')) return x;
  let all = 0;
  for (const { text, face } of pieces) {
    font(face);
    all += pdf.widthOfString(text);
  }
  return x + Math.max(0, width - all) * (align === 'right' ? 1 : 0.5);
}
