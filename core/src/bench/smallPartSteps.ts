import type { Assessment, SupplyAssessment } from '../assess.ts';
import { kindOf } from '../items/index.ts';
import { HELPER_BASE_OHM, isJoint, type TransistorSwitch } from '../network/index.ts';
import { findPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { amps, joinMessages, type Message, ohms, say } from '../units/index.ts';
import { sayOpen } from './openOutputs.ts';
import { type BenchStep, step } from './step.ts';

/** Fuse and plug of every source, before any wire goes on from it. */
export const leadSteps = ({ supplies, library }: Assessment): BenchStep[] =>
  supplies.flatMap((supply) => {
    const said = sayLead(supply, library);
    if (!said) return [];
    return [
      step({
        id: `fuse:${supply.rail.id}`,
        chapter: 'Soldering',
        ...said,
        caution:
          'A pack is live all the while: one core at a time, the other covered; the fuse goes in last. Cells with tags are bought so; a bare cell is never soldered to itself.',
      }),
    ];
  });

function sayLead({ rail }: SupplyAssessment, library: Assessment['library']): Pick<BenchStep, 'title' | 'todo'> | null {
  if (rail.gives.form !== 'cells' && rail.gives.form !== 'outside') return null;
  const { fuseA, plug: plugId } = rail.gives.item;
  const plug = findPart(library, 'plug', plugId);
  if (fuseA === null && !plug) return null;
  const isPack = rail.gives.form === 'cells';
  return {
    title:
      `${[fuseA === null ? '' : 'Fuse', plug ? 'plug' : ''].filter(Boolean).join(' and ')} of ${rail.name}`.replace(
        /^./,
        (first) => first.toUpperCase(),
      ),
    todo: joinMessages(
      [
        ...(fuseA === null
          ? []
          : [
              say`Holder with the fuse of ${amps(fuseA)}: in the plus lead, a finger’s length from ${rail.name}, before anything else.`,
            ]),
        ...(plug
          ? [
              say`${plug.name}: ${isPack ? 'on the side of the pack' : 'on the side that gives'} the half whose contacts can’t be touched, plus where the other half has plus.`,
            ]
          : []),
        'All wires of the list begin behind it.',
      ],
      ' ',
    ),
  };
}

/** How the legs of a transistor are joined, from what holds it to what it switches. */
function sayTransistor({ part, gateOhm, pullOhm, helper }: TransistorSwitch, from: Message): Message {
  const isGate = part.type === 'field-effect';
  const [root, steer, out] = isGate ? ['source', 'gate', 'drain'] : ['emitter', 'base', 'collector'];
  // A base below is held off by its own resistor to a pin that floats low; a gate keeps what it was charged with.
  const pull = isGate || part.side === 'high' ? say`, and through ${ohms(pullOhm)} to its ${root}` : '';
  const driven = helper
    ? say`through ${ohms(gateOhm)} to the collector of a helper (${helper.name}), whose emitter goes to the board’s minus and whose base goes through ${ohms(HELPER_BASE_OHM)} to the pin`
    : say`through ${ohms(gateOhm)} to the pin`;
  return say`${root} to ${from}; ${steer} ${driven}${pull}; ${out} to what it switches. Read its sheet for the order of its legs; sleeve each.`;
}

/** One sort of transistor of an item, by how it is called where a wire ends at it. */
interface Stood {
  readonly on: TransistorSwitch;
  readonly at: readonly { readonly from: Message; readonly name: Message }[];
}

/** The transistors before an item, in the order of its pins. */
function stoodBefore(itemId: string, { driven, loads, coreEnds }: Assessment): Stood[] {
  const own = driven.find((each) => each.itemId === itemId && (each.transistor || each.scan));
  const onLine = (id: string) => {
    const line = own?.scan?.layout.lines.find((each) => each.id === id);
    return line?.kind === 'column' ? own?.scan?.columnSwitch : own?.transistor;
  };
  const ofLoad = loads.find((each) => each.itemId === itemId)?.transistor;
  const prefix = `legs:channel:${itemId}:`;
  const found = [...coreEnds].flatMap(([id, [ends]]) => {
    const on = id.startsWith(prefix) ? (onLine(id.slice(prefix.length)) ?? ofLoad) : null;
    return on && ends ? [{ on, from: ends.from, name: ends.to }] : [];
  });
  return [...new Set(found.map(({ on }) => on))].map((on) => ({ on, at: found.filter((each) => each.on === on) }));
}

/** Every transistor with its resistors, as it is joined at its board. */
export const transistorSteps = (design: Design, assessment: Assessment): BenchStep[] =>
  design.items.flatMap(({ id, name }) => {
    const stood = stoodBefore(id, assessment);
    const wantsDiode = assessment.loads.some((load) => load.itemId === id && load.transistor && load.wantsDiode);
    if (stood.length === 0) return [];
    return [
      step({
        id: `transistor:${id}`,
        chapter: 'Soldering',
        title: `What switches ${name}`,
        todo: joinMessages(
          [
            ...stood.flatMap(({ on, at: [first, ...others] }) =>
              first
                ? [
                    say`${on.part.name}: ${joinMessages(
                      [first, ...others].map((each) => each.name),
                      '; ',
                    )}. ${others.length > 0 ? 'Of each the ' : 'Its '}${sayTransistor(on, first.from)}`,
                  ]
                : [],
            ),
            ...(wantsDiode ? [`A diode across ${name}, its ringed end at plus.`] : []),
          ],
          ' ',
        ),
      }),
    ];
  });

/** So many joints are listed one by one. */
const LISTED = 8;

/** The small parts that sit at lights, at their pins or at what switches them, leg by leg. */
export const legSteps = ({ placed, coreEnds }: Assessment): BenchStep[] =>
  placed.flatMap((group) => {
    if (group.shape !== 'lights') return [];
    const isOwn = (id: string): boolean =>
      [`legs:${group.id}:`, `legs:resistor:${group.id}:`].some((prefix) => id.startsWith(prefix));
    const joints = [...coreEnds].flatMap(([id, ends]) => (isOwn(id) ? ends : []));
    if (joints.length === 0) return [];
    const [last] = joints.slice(LISTED).slice(-1);
    const listed = joints.slice(0, LISTED).map(({ from, to }) => say`${from} to ${to}`);
    const more = last ? say`; and so on to ${last.from} to ${last.to}` : '';
    return [
      step({
        id: `legs:${group.id}`,
        chapter: 'Soldering',
        title: `Legs of ${group.name}`,
        todo: say`Joined without a wire: ${joinMessages(listed, '; ')}${more}. A sleeve over each leg.`,
      }),
    ];
  });

/** The legs or pads that are bridged where a run ends, since one core lights them all; nothing where there are none. */
export function sayBridges(coreEnds: Assessment['coreEnds'], runId: string): Message {
  const bridges = (coreEnds.get(`legs:bridge:${runId}`) ?? []).map(({ from, to }) => say`${from} to ${to}`);
  return bridges.length > 0 ? say` Bridge ${joinMessages(bridges, ', ')}: they are lit together.` : '';
}

/** What sits at one place: joined before the wires, since none of the list does it. */
export const jointSteps = (assessment: Assessment): BenchStep[] => {
  const { joins, coreEnds } = assessment;
  return joins.filter(isJoint).map((run) =>
    step({
      id: `joint:${run.id}`,
      chapter: 'Soldering',
      title: `Joint: ${run.from.name} and ${run.to.name}`,
      todo: say`Both sit at one place, and no wire of the list joins them: ${joinMessages(
        (coreEnds.get(run.id) ?? []).map(({ from, to }) => say`${from} to ${to}`),
        '; ',
      )}.${sayBridges(coreEnds, run.id)}${sayOpen(assessment, run.id)} By their own leads, or the shortest piece of the thickest wire that goes on from there; sleeve and tug.`,
      caution: 'Air away from you, eyes covered, pack unplugged.',
    }),
  );
};

/** What is done to an item before a wire ends at it: put together, set, fixed to what cools it. */
export const assemblySteps = (design: Design, { library }: Assessment): BenchStep[] =>
  design.items.flatMap((item) => {
    const done = kindOf(item.kind).assembly?.(item, library);
    return done ? [step({ id: `assembly:${item.id}`, chapter: 'Soldering', ...done })] : [];
  });
