import type { PlaceWords } from '../sheets/index.ts';

/** Words of places, as short as tests want them: `1.45 m left`. */
export const PLACE_WORDS: PlaceWords = {
  inWall: (room, side) => `${room} ${side}`,
  outside: (side) => `outside ${side}`,
  fromWall: (distance, side) => `${distance} ${side}`,
  fromCorner: (distance, side) => `${distance} ${side} corner`,
  above: (height) => `${height} AFF`,
  notMeasured: '?',
};
