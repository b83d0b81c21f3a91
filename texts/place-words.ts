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
