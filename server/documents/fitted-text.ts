/** Words are put on a line while it stays a little shorter than its column: the writer reckons kerning its own way. */
const SAFE_SHARE = 0.97;

/** A text with its lines broken between words alone: a run number is never torn apart. A word wider than the column breaks anywhere. */
export function brokenAtSpaces(pdf: PDFKit.PDFDocument, text: string, width: number): string {
  let line = '';
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const next = line === '' ? word : `${line} ${word}`;
    if (line === '' || pdf.widthOfString(next) <= width * SAFE_SHARE) line = next;
    else {
      lines.push(line);
      line = word;
    }
  }
  return [...lines, line].join('\n');
}

/**
 * Words in the largest size, from `largest` down to `smallest` points, in which all of them have room; where even the smallest is too
 * large, as many as have it, with `more` for the rest.
 */
export function fittedWords(
  pdf: PDFKit.PDFDocument,
  list: readonly string[],
  [width, height]: readonly [number, number],
  [largest, smallest]: readonly [number, number],
  more: (count: number) => string,
): { readonly text: string; readonly size: number } {
  const laidOut = (count: number) => {
    const rest = list.length - count;
    return brokenAtSpaces(pdf, [...list.slice(0, count), ...(rest > 0 ? [more(rest)] : [])].join(' '), width);
  };
  const hasRoom = (text: string) => pdf.heightOfString(text, { width: width + 1 }) <= height;
  for (let size = largest; size >= smallest; size -= 0.5) {
    pdf.fontSize(size);
    const text = laidOut(list.length);
    if (hasRoom(text)) return { text, size };
  }
  pdf.fontSize(smallest);
  let count = list.length;
  while (count > 0 && !hasRoom(laidOut(count))) count--;
  return { text: laidOut(count), size: smallest };
}
