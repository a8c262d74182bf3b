import { amps, hours, type Message, say, volts } from '../units/index.ts';
import type { Obstacle } from './tree.ts';

/** An obstacle in words, as the end of "above it …". */
export function describeObstacle(obstacle: Obstacle): Message {
  switch (obstacle.kind) {
    case 'link':
      return say`${obstacle.link.name.charAt(0).toLowerCase()}${obstacle.link.name.slice(1)} carries more than its ${amps(obstacle.link.limitA)}`;
    case 'collapse':
      return 'the converter asks more than the cell can give, and the voltage collapses';
    case 'trip':
      return say`the pack is pulled below ${volts(obstacle.tripV)} and its protection lets go`;
    case 'drop-out':
      return say`the converter drops out below ${volts(obstacle.node.converter?.inputLeastV ?? 0)}`;
    default:
      return say`the controller resets below ${volts(obstacle.node.brownOutV)}`;
  }
}

const DAY_H = 24;
const MONTH_H = 730;

/** A time over which something waits, as coarsely as it is known. @example 20 240 h: "28 months" */
export function sayKeeping(keepsH: number): Message {
  if (keepsH < 3 * DAY_H) return hours(keepsH);
  if (keepsH < 3 * MONTH_H) return `${Math.floor(keepsH / DAY_H)} days`;
  return keepsH < 10 * 12 * MONTH_H ? `${Math.floor(keepsH / MONTH_H)} months` : 'more than ten years';
}
