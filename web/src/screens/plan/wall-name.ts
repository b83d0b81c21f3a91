import { text } from '../../ground/text.ts';

/** Which wall of the plan a direction away from it means. */
export const wallName = ([x, y]: readonly [number, number] | readonly number[]): string =>
  text(`device.walls.${Math.abs(x) > Math.abs(y) ? (x > 0 ? 'left' : 'right') : y > 0 ? 'lower' : 'upper'}`);
