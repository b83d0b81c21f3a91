import type { PlaceWords } from '@dusky-spool/core/sheets';
import { words } from './words.ts';

/** How places are told on screens, sheets and the command line. */
export const placeWords: PlaceWords = {
  inWall: (room, side) => words.t('terms.places.inWall', { room, side: words.t(`terms.wallSides.${side}`) }),
  outside: (side) => words.t('terms.places.outside', { side: words.t(`terms.wallSides.${side}`) }),
  fromWall: (distance, side) => words.t('terms.places.fromWall', { distance, side: words.t(`terms.wallSides.${side}`) }),
  fromCorner: (distance, side) => words.t('terms.places.fromCorner', { distance, side: words.t(`terms.wallSides.${side}`) }),
  above: (height) => words.t('terms.places.above', { height }),
  notMeasured: words.t('terms.places.notMeasured'),
};

/** The same on sheets, where walls are drawn and numbered. */
export const sheetPlaceWords: PlaceWords = {
  ...placeWords,
  inWall: (room, side, wall) => numbered(placeWords.inWall(room, side, wall), wall),
  outside: (side, wall) => numbered(placeWords.outside(side, wall), wall),
  fromWall: (distance, side, wall) => numbered(placeWords.fromWall(distance, side, wall), wall),
};

const numbered = (place: string, wall: string): string => (wall === '' ? place : `${place} ${wall}`);
