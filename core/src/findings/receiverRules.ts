import { coneRadiusMm } from '../drive/index.ts';
import { type Edit, type Finding, kindOf, named } from '../items/index.ts';
import { boardOf } from '../network/index.ts';
import { findPart, receivers } from '../parts/index.ts';
import { changeItem, controlsOf, itemNamed } from '../plan/index.ts';
import { mm, say, volts } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';

/** Inputs of a chip bear so much above its own supply. */
const CLAMP_V = 0.5;

/** A control that is an output of a receiver, with that. */
const outputsOf = ({ design, library }: RuleInput) =>
  controlsOf(design).flatMap((control) => {
    const own = kindOf(control.kind).control?.outputOf?.(control);
    const receiver = own ? itemNamed(design, own.itemId) : undefined;
    const part = receiver && 'part' in receiver ? findPart(library, 'receiver', receiver.part) : undefined;
    return own && receiver && part ? [{ control, receiver, part, output: own.output }] : [];
  });

const drive = (id: string) => ({ stage: 'drive', aboutId: id }) as const;

/** An output that the receiver has not got, or that works the other way. */
export const receiverOutputRule: Rule = (input) =>
  outputsOf(input).flatMap(({ control, receiver, part, output }): Finding[] => {
    if (output > part.outputs)
      return [
        {
          ...drive(control.id),
          ...named('receiver-output', control.id),
          gravity: 'stop',
          what: `${control.name} is output ${output} of ${receiver.name}, which has ${part.outputs}`,
          why: 'Its pin would hear nothing.',
          mend: 'Take another of its outputs, or a receiver with more.',
          fixes: receivers
            .filter((each) => each.outputs >= output && each.output === part.output && each.carrier === part.carrier)
            .slice(0, 1)
            .map((each) => ({
              label: `Take: ${each.name}`,
              edits: changeItem(input.design, receiver.id, { part: each.id }),
            })),
        },
      ];
    const mode = kindOf(control.kind).control?.radio?.(control);
    if (mode === undefined || mode === part.output) return [];
    return [
      {
        ...drive(control.id),
        ...named('receiver-mode', control.id),
        gravity: 'mend',
        what: `${control.name} is taken for ${mode === 'held' ? 'closed while its key is held' : 'changed by each press'}; ${receiver.name} does the other`,
        why: 'Cues that wait for a press or for letting go would come at the wrong moment.',
        mend: 'Say what the receiver does.',
        fixes: [
          {
            label: part.output === 'held' ? 'It is closed while its key is held' : 'It changes with each press',
            edits: changeItem(input.design, control.id, { output: part.output }),
          },
        ],
      },
    ];
  });

/** An output that stands higher than the pin bears that hears it. */
export const receiverLevelRule: Rule = (input) => {
  const { assessment } = input;
  const seen = new Set<string>();
  return outputsOf(input).flatMap(({ control, receiver }): Finding[] => {
    const board = boardOf(assessment.boards, control.board);
    const railId = assessment.rails.feedOf(receiver);
    const highV = (railId === null ? undefined : assessment.rails.byId.get(railId)?.range?.mostV) ?? 0;
    const isOwnRail = board?.part.regulator === null && board.railId === railId;
    if (!board || isOwnRail || highV <= board.part.logicV + CLAMP_V || seen.has(receiver.id)) return [];
    seen.add(receiver.id);
    return [
      {
        ...drive(receiver.id),
        ...named('receiver-level', receiver.id),
        gravity: 'stop',
        actual: { kind: 'voltageV', value: highV },
        limit: { kind: 'voltageV', value: board.part.logicV + CLAMP_V },
        what: say`The outputs of ${receiver.name} stand at ${volts(highV)}; pins of ${board.name} bear ${volts(board.part.logicV + CLAMP_V)}`,
        why: 'The chip is fed backwards through its clamp, and dies sooner or later.',
        mend: 'Feed the receiver from the voltage of the chip, or put 10 kΩ and 20 kΩ as a divider into each output.',
        fixes: [],
      },
    ];
  });
};

/** An infrared eye needs to be seen. */
export const hiddenEyeRule: Rule = ({ design, library }) =>
  design.items.flatMap((item): Finding[] => {
    const part = 'rangeMm' in item ? findPart(library, 'receiver', item.part) : undefined;
    if (!part || !('rangeMm' in item) || part.carrier !== 'infrared' || !item.boxId) return [];
    const box = design.hollows.find(({ id }) => id === item.boxId)?.name ?? 'a closed box';
    const coneMm = coneRadiusMm(part.halfAngleDeg ?? 0, item.rangeMm);
    return [
      {
        ...drive(item.id),
        ...named('eye-hidden', item.id),
        gravity: 'mend',
        what: `${item.name} lies in ${box}: an infrared eye there sees nothing`,
        why: say`It wants a line of sight. Behind a window it is worked from within ${mm(coneMm)} to each side at ${mm(item.rangeMm)}.`,
        mend: 'Set the eye behind an opening or a window that infrared goes through, and keep mouldings out of its way.',
        fixes: [{ label: 'It looks out', edits: changeItem(design, item.id, { boxId: null }) }],
      },
    ];
  });

/** Several remotes with a receiver each: as many transmitters to carry, where one would do. */
export const manyReceiversRule: Rule = ({ design }) => {
  const alone = controlsOf(design).filter((control) => {
    const { control: facet } = kindOf(control.kind);
    return facet?.radio && facet.outputOf?.(control) === null;
  });
  const modes = new Map<'held' | 'latched', typeof alone>();
  for (const control of alone) {
    const mode = kindOf(control.kind).control?.radio?.(control) ?? 'held';
    modes.set(mode, [...(modes.get(mode) ?? []), control]);
  }
  return [...modes].flatMap(([mode, own]): Finding[] => {
    const [first] = own;
    const part = receivers.find(
      (each) => each.carrier === 'radio' && each.output === mode && each.outputs >= own.length && each.leastV <= 3.3,
    );
    if (own.length < 2 || !first) return [];
    const id = ['receiver', 'receiver-2', 'receiver-3'].find((each) => !itemNamed(design, each));
    const edits: readonly Edit[] =
      part && id !== undefined
        ? [
            {
              kind: 'add item',
              item: {
                ...kindOf('receiver').create({ id, name: 'Receiver', at: first.at }),
                ...{ part: part.id },
              } as Extract<Edit, { kind: 'add item' }>['item'],
            },
            ...own.map((control, i): Edit => ({ kind: 'item', id: control.id, fields: { receiver: id, key: i + 1 } })),
          ]
        : [];
    return [
      {
        ...named('receivers-many', mode),
        gravity: 'mind',
        stage: 'drive',
        aboutId: first.id,
        what: `${own.map(({ name }) => name).join(', ')}: a receiver and a transmitter each`,
        why: `${own.length} hand transmitters are to be bought and carried; one with as many keys does it.`,
        mend: 'Take one receiver with several outputs.',
        fixes: edits.length > 0 ? [{ label: `One receiver with ${part?.outputs} outputs`, edits }] : [],
      },
    ];
  });
};
