import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf, planOf } from '../../tests/designs.ts';
import { type Assessment, assess } from '../assess.ts';
import { type NetlistSolution, solveNetlist } from '../circuit/index.ts';
import { exportProgram } from '../exports/index.ts';
import { controllers, leds, packs } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { drawNetwork, type ExactNetwork } from './index.ts';

const idOf = (parts: readonly { readonly id: string }[]) => fc.constantFrom(...parts.map((part) => part.id));
const wayIds = ['pin high', 'pin low', 'transistor below', 'transistor above'] as const;

/** One group of lights on one board, in every way that a board can switch it. */
const anyProgrammed = fc
  .record({
    way: fc.constantFrom(...wayIds),
    boardPart: idOf(controllers),
    packPart: idOf(packs),
    ledPart: idOf(leds),
    lights: fc.integer({ min: 1, max: 3 }),
  })
  .map(({ way, boardPart, packPart, ledPart, lights }): Design => {
    const at = (xMm: number) => ({ xMm, yMm: 0 });
    const switchedBy = way.startsWith('pin')
      ? { way: way as 'pin high', board: null }
      : { way: way as 'transistor below', board: null, part: null };
    return circuitOf(
      [
        itemOf('light', {
          id: 'eyes',
          part: ledPart,
          wantedCurrentA: 0.004,
          switchedBy,
          places: Array.from({ length: lights }, (_, i) => ({ id: `p${i}`, at: at(60 + 30 * i), hollowId: null })),
        }),
        itemOf('board', { id: 'board', part: boardPart, at: at(30) }),
        itemOf('pack', { id: 'pack', part: packPart }),
      ],
      {
        moods: {
          ...circuitOf([]).moods,
          list: [moodOf({ id: 'on', brightness: 1, moves: { eyes: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
        },
      },
    );
  });

type Solved = Extract<NetlistSolution, { ok: true }>;

/** Between two ports, while it is so. */
const between = ({ nodes }: ExactNetwork, { voltageV }: Solved, item: string, port: string): number =>
  voltageV.get(nodes.find((node) => node.ports.some((each) => each.item === item && each.port === port))?.id ?? '') ??
  0;

/** Whether the exported program is told that light is a low pin. */
const isToldLow = (design: Design, assessment: Assessment): boolean =>
  Object.values(exportProgram(planOf(design), assessment, {})).some((file) => /UG_CHANNEL_LOW \{ 1 \}/.test(file));

function look(design: Design): 'lit' | 'can’t be' {
  const assessment = assess(design);
  const [driven] = assessment.driven;
  const lit = drawNetwork(design, assessment, { charge: 0.9, moodId: 'on', openIds: [] });
  const dark = drawNetwork(design, assessment, { charge: 0.9, moodId: null, openIds: [] });
  const [on, off] = [solveNetlist(lit.netlist), solveNetlist(dark.netlist)];
  if (!driven || !on.ok || !off.ok) return 'can’t be';
  const light = 'eyes: light 1';
  const [litA, darkA] = [on.currentA.get(light) ?? 0, off.currentA.get(light) ?? 0];
  // A pack that does not reach the light’s drop lights nothing in any way.
  if (litA < 1e-4) return 'can’t be';
  expect(litA).toBeLessThan(1.2 * driven.corners.brightestA);
  // Dark is dark; a pin that takes leaves what stands between plus and the chip’s supply, which a finding tells.
  if (driven.way.id !== 'pin low') expect(darkA).toBeLessThan(1e-6);
  else expect(darkA).toBeLessThan(litA);
  const onBoard = (port: string): number => between(lit, on, 'board', port);
  const chipV = onBoard('chip plus') - onBoard('minus');
  const pinV = between(lit, on, 'channel:eyes:1', 'out') - onBoard('minus');
  if (driven.way.throughPin !== 'not') expect(pinV < chipV / 2).toBe(isToldLow(design, assessment));
  else if (driven.way.id === 'transistor below') expect(isToldLow(design, assessment)).toBe(false);
  else expect(isToldLow(design, assessment)).toBe(driven.transistor?.helper === null);
  return 'lit';
}

describe('what is lit in the picture is lit in the circuit', () => {
  it.each(wayIds)('%s: its current while lit, none while dark, and the program the level of its pin', (way) => {
    const seen: string[] = [];
    fc.assert(
      fc.property(
        anyProgrammed.filter(({ items }) => items.some((item) => item.kind === 'light' && item.switchedBy.way === way)),
        (design) => {
          seen.push(look(design));
        },
      ),
      { numRuns: 60, seed: 5 },
    );
    expect(seen.filter((each) => each === 'lit').length).toBeGreaterThan(10);
  });
});
