import { amps, type Message, say, volts } from '../units/index.ts';
import type { Obstacle } from './tree.ts';

/** An obstacle in words, as the end of "above it …". */
export function describeObstacle(obstacle: Obstacle): Message {
  switch (obstacle.kind) {
    case 'link':
      return say`${obstacle.link.name.charAt(0).toLowerCase()}${obstacle.link.name.slice(1)} carries more than its ${amps(obstacle.link.limitA)}`;
    case 'collapse':
      return 'the converter asks more than the cell can give, and the voltage collapses';
    case 'drop-out':
      return say`the converter drops out below ${volts(obstacle.node.converter?.inputLeastV ?? 0)}`;
    default:
      return say`the controller resets below ${volts(obstacle.node.brownOutV)}`;
  }
}
