import type { ShowGroup } from './show.ts';

/**
 * What red, green and blue of a point have in common: the part that a white die gives in their place.
 * @param at of its first byte in the frame
 */
export const whiteOf = (frame: Uint8Array, at: number): number =>
  Math.min(frame[at] ?? 0, frame[at + 1] ?? 0, frame[at + 2] ?? 0);

/**
 * Light of one channel of a group in a frame, 0 to 255: its own byte; of a light with a white die what that die gives, or what
 * it leaves to the colours. A channel that no byte tells is dark.
 * @param channel counted from 0
 */
export function lightOfChannel(
  frame: Uint8Array,
  { offset, points, bytesPerPoint, whiteDie }: ShowGroup,
  channel: number,
): number {
  if (whiteDie !== 'lit') return channel < points * bytesPerPoint ? (frame[offset + channel] ?? 0) : 0;
  const white = whiteOf(frame, offset);
  return channel === 3 ? white : (frame[offset + channel] ?? 0) - white;
}
