import { chipVoltageV } from '../items/index.ts';
import type { Driven } from './driven.ts';
import { loopCurrentA } from './loop.ts';

/** The clamp of a pin conducts from here above the chip's supply (typical). */
const CLAMP_V = 0.5;

/**
 * What is left of a rail over a light that hangs between plus and a pin driven to the chip's supply, or let go.
 * @param boardV of the rail that feeds the board: the light's own, or another
 */
export function unlitOverPin(
  driven: Driven,
  railV: number,
  boardV: number,
): { readonly drivenHighA: number; readonly releasedA: number } | null {
  if (driven.way.throughPin !== 'taken' || !driven.board) return null;
  const chipV = chipVoltageV(driven.board.part, boardV);
  const at = (highV: number): number => loopCurrentA(driven.loop, 1, Math.max(0, railV - highV));
  // Let go, the pin is held by the chip's clamp a junction above its supply.
  return { drivenHighA: at(chipV), releasedA: at(chipV + CLAMP_V) };
}
