import { printQuantity } from '../units/index.ts';
import type { Obstacle } from './tree.ts';

/** An obstacle in words, as the end of "above it …". */
export function describeObstacle(obstacle: Obstacle): string {
  switch (obstacle.kind) {
    case 'link':
      return `${obstacle.link.name.charAt(0).toLowerCase()}${obstacle.link.name.slice(1)} carries more than its ${printQuantity('currentA', obstacle.link.limitA)}`;
    case 'collapse':
      return 'the converter asks more than the cell can give, and the voltage collapses';
    case 'drop-out':
      return `the converter drops out below ${printQuantity('voltageV', obstacle.node.converter?.inputLeastV ?? 0)}`;
    default:
      return `the controller resets below ${printQuantity('voltageV', obstacle.node.brownOutV)}`;
  }
}
