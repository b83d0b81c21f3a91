import { err, FOOT_M, INCH_M, ok, type Outcome, type Problem } from '../../math/index.ts';
import type { Drawing } from './drawing.ts';
import { guessUnit } from './drawing-units.ts';
import { DxfDrawer, MAX_LINES } from './dxf-draw.ts';
import { DxfFault, type DxfFile, takeApart } from './dxf-file.ts';
import { decodeDxf } from './dxf-text.ts';

/** Largest drawing file, bytes. */
export const MAX_DRAWING_BYTES = 60 * 1024 * 1024;

/** Metres of a drawing unit by the header's unit code. */
const METRES: Readonly<Record<number, number>> = {
  1: INCH_M,
  2: FOOT_M,
  4: 0.001,
  5: 0.01,
  6: 1,
  7: 1000,
  10: 3 * FOOT_M,
  14: 0.1,
};

/** Drawings that are no text, by how they begin. */
const OTHER_KINDS: readonly (readonly [begins: RegExp, kind: string])[] = [
  [/^AC1[0-9.]{3}/, 'DWG'],
  [/^\w+ Binary DXF\r\n/, 'binary DXF'],
  [/^%PDF-/, 'PDF'],
  [/^PK[^\w\s]{2}/, 'ZIP'],
];

const FAULTS: Readonly<Record<DxfFault['what'], string>> = {
  'not-a-code': 'is no group code',
  'too-many-entities': 'more entities than can be read',
  'entity-too-long': 'an entity that does not end',
  'no-sections': 'no section begins',
};

/** The bytes of a drawing file, in the code page that it was written in. Problems: those of `readDxf`, and `file-empty`. */
export function readDxfBytes(bytes: Uint8Array, progress: (share: number) => void = () => undefined): Outcome<Drawing> {
  if (bytes.length === 0) return err('file-empty', { kind: 'invalid', field: 'file' });
  if (bytes.length > MAX_DRAWING_BYTES) return tooLarge(bytes.length);
  const begin = String.fromCharCode(...bytes.subarray(0, 40));
  const other = OTHER_KINDS.find(([begins]) => begins.test(begin));
  if (other) return err('drawing-kind', { kind: 'invalid', field: 'file', kindFound: other[1] });
  return readDxf(decodeDxf(bytes), progress);
}

const tooLarge = (bytes: number) =>
  err('drawing-too-large', { kind: 'out_of_domain', field: 'file', bytes, mostBytes: MAX_DRAWING_BYTES });

/**
 * Reads an ASCII DXF drawing. Nothing of it is executed or fetched.
 * Problems: `drawing-too-large`, `drawing-binary`, `dxf-damaged` (with the line), `drawing-empty`.
 * Bad places inside a good file (no numbers, blocks in loops) are listed in `problems` and left out.
 */
export function readDxf(text: string, progress: (share: number) => void = () => undefined): Outcome<Drawing> {
  if (text.length > MAX_DRAWING_BYTES) return tooLarge(text.length);
  if (text.slice(0, 2000).includes('\0')) return err('drawing-binary', { kind: 'invalid', field: 'file' });
  let file: DxfFile;
  try {
    file = takeApart(text.replace(/^\uFEFF/, ''), (share) => progress(share * 0.6));
  } catch (error) {
    if (!(error instanceof DxfFault)) throw error;
    const { what, line } = error;
    if (what === 'too-many-entities' || what === 'entity-too-long') return tooLarge(text.length);
    return err('dxf-damaged', { kind: 'invalid', field: 'file', reason: `line ${line}: ${FAULTS[what]}` });
  }
  progress(0.6);
  const drawer = new DxfDrawer(file);
  drawer.drawAll((share) => progress(0.6 + share * 0.35));
  if (drawer.tooMany)
    return err('drawing-too-large', { kind: 'out_of_domain', field: 'file', lines: MAX_LINES, most: MAX_LINES });
  if (drawer.isEmpty) return err('drawing-empty', { kind: 'invalid', field: 'file' });
  const drawn = drawer.finish();
  const { bounds, layers, texts, dimensions } = drawn;
  const metresPerUnit = METRES[Number(file.header.get('$INSUNITS') ?? 0)] ?? null;
  const guess = guessUnit({ layers, texts, dimensions, extent: Math.max(bounds.maxX, bounds.maxY) });
  const problems: Problem[] = metresPerUnit === null ? [{ code: 'units-missing', kind: 'incomplete', field: '$INSUNITS' }] : [];
  return ok({ ...drawn, metresPerUnit, guess, problems: [...problems, ...drawn.problems] });
}
