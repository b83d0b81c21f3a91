import type { RfSourceRecord } from '@dusky-spool/core/model';

const PAIR = /^\s*(\d+(?:\.\d+)?)\s*:\s*(\d+(?:\.\d+)?)\s*$/;

/** The sketched horizon as pairs of bearing and height, degrees; null where the words are none. */
export function horizonFrom(words: string): RfSourceRecord['horizon'] | null {
  if (words.trim() === '') return [];
  const points = words.split(',').map((one) => PAIR.exec(one));
  if (points.some((one) => one === null)) return null;
  const horizon = points.map((one) => ({ bearingDeg: Number(one![1]), elevationDeg: Number(one![2]) }));
  return horizon.length <= 72 && horizon.every((one) => one.bearingDeg <= 360 && one.elevationDeg <= 90) ? horizon : null;
}
