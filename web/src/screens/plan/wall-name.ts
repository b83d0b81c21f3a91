import { wallSide } from '@dusky-spool/core/devices';
import { term } from '../../ground/text.ts';

/** Which wall of the plan a direction away from it means. */
export const wallName = ([x, y]: readonly [number, number] | readonly number[]): string => term(`wallSides.${wallSide([x, y])}`);
