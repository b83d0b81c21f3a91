import type { SurroundChannel } from '../model/index.ts';

/** Letters of a channel on a drawing: first letters of its words. */
export function channelCode(channel: SurroundChannel): string {
  if (channel === 'center') return 'C';
  if (channel === 'subwoofer') return 'SW';
  const letters = channel
    .split('-')
    .map((word) => word[0].toUpperCase())
    .join('');
  return letters === 'FL' ? 'L' : letters === 'FR' ? 'R' : letters;
}
