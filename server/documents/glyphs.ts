import { createRequire } from 'node:module';
import { FALLBACKS } from './fonts.ts';

interface Face {
  hasGlyphForCodePoint(codePoint: number): boolean;
}

/** The package has no types of its own. */
const { openSync } = createRequire(import.meta.url)('fontkit') as { openSync(path: string): Face };

/** Faces are opened once: a document asks for each of its letters. */
const faces = new Map<string, Face>();
const faceOf = (path: string): Face => {
  let face = faces.get(path);
  if (!face) faces.set(path, (face = openSync(path)));
  return face;
};

/** Whether a face of the app can draw a character. */
export const hasGlyph = (path: string, character: string): boolean =>
  faceOf(path).hasGlyphForCodePoint(character.codePointAt(0)!);

/** A piece of text with the face that can draw it. */
export interface Piece {
  readonly text: string;
  readonly face: string;
}

const isPlain = (text: string) => /^[\x20-\x7e\n]*$/.test(text);

/** A text in pieces, each with the first face that has its characters: the one asked for, else its own letters of other scripts, else signs. */
export function piecesOf(text: string, face: string): Piece[] {
  if (isPlain(text)) return [{ text, face }];
  const pieces: { text: string; face: string }[] = [];
  for (const character of text) {
    const own = /\s/.test(character) || hasGlyph(face, character);
    const fitting = own ? face : (FALLBACKS.find((path) => hasGlyph(path, character)) ?? face);
    const last = pieces.at(-1);
    if (last?.face === fitting) last.text += character;
    else pieces.push({ text: character, face: fitting });
  }
  return pieces;
}
