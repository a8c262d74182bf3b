import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { diceOf } from '../motion/index.ts';
import type { Design } from '../plan/index.ts';

const at = { xMm: 0, yMm: 0 };
const light = (id: string, board: string) =>
  itemOf('light', {
    id,
    name: id,
    switchedBy: { way: 'pin high', board },
    places: [{ id: 'p', at: { xMm: 50, yMm: 0 }, hollowId: null }],
  });

/** Two boards, each with a light; a motor and a knob that dims hang on the second. */
const twoBoards = (): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'one', name: 'One', at, part: 'controller-large-5v' }),
    itemOf('board', { id: 'two', name: 'Two', at, part: 'controller-large-5v' }),
    light('a', 'one'),
    light('b', 'two'),
    itemOf('load', {
      id: 'motor',
      name: 'Motor',
      at,
      part: 'load-motor-6v',
      switchedBy: { way: 'transistor below', board: 'two', part: null },
    }),
    itemOf('knob', { id: 'knob', name: 'Dimmer', at, board: 'two', dims: true }),
  ]),
  moods: {
    list: [
      moodOf({
        id: 'on',
        brightness: 1,
        moves: Object.fromEntries(
          ['a', 'b', 'motor'].map((id) => [id, { kind: 'steady', colour: '#ffffff', level: 1 } as const]),
        ),
      }),
    ],
    startId: 'on',
    cues: [],
    course: [],
    cueUses: [],
  },
});

describe('the programs of two boards', () => {
  const assessment = assess(twoBoards());
  const namesOf = (board: string) => {
    const show = assessment.programs.find((each) => each.board.id === board)?.show;
    return {
      groups: show?.groups.map(({ id }) => id),
      dims: show?.controls.flatMap(({ dims }) => dims ?? []).map((g) => show.groups[g]?.id),
    };
  };
  it('each moves what hangs on its own board, loads too', () => {
    expect(namesOf('one').groups).toEqual(['a']);
    expect(namesOf('two').groups).toEqual(['b', 'motor']);
    // A load is one point that is on or off.
    const motor = assessment.programs[1]?.show.groups.find(({ id }) => id === 'motor');
    expect([motor?.switches, motor && diceOf(motor)]).toEqual([true, 1]);
  });
  it('a knob dims the lights of its own board, not the motor, and in the preview no others', () => {
    expect(namesOf('one').dims).toEqual([]);
    expect(namesOf('two').dims).toEqual(['b']);
    const { show } = assessment;
    expect(show.controls.flatMap(({ dims }) => dims ?? []).map((g) => show.groups[g]?.id)).toEqual(['b']);
  });
});

describe('the pins of a board', () => {
  it('two grids on one scan driver ask for its three wires once', () => {
    const grid = (id: string) =>
      itemOf('light', {
        id,
        name: id,
        switchedBy: { way: 'scan driver', by: 'driver', rows: 2 },
        places: [0, 1, 2, 3].map((i) => ({ id: `${id}${i}`, at: { xMm: 10 * i, yMm: 0 }, hollowId: null })),
      });
    const design: Design = {
      ...twoBoards(),
      ...circuitOf([
        itemOf('outside supply', { id: 'supply', at, part: 'supply-bench', volts: 5 }),
        itemOf('board', { id: 'one', name: 'One', at, part: 'controller-large-5v' }),
        itemOf('scan driver', { id: 'driver', name: 'Driver', at }),
        grid('a'),
        grid('b'),
      ]),
    };
    const ids = assess(design).pins[0]?.plan.given.map(({ demand }) => demand.id) ?? [];
    expect(ids.filter((id) => id.startsWith('scan:driver')).sort()).toEqual([
      'scan:driver:clock',
      'scan:driver:data',
      'scan:driver:latch',
    ]);
  });
});
