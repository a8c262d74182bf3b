import type { z } from 'zod';
import type { Item, SwitchedBy } from '../../items/index.ts';
import type { Design, Plan } from '../types.ts';
import type { planOneSchema } from './schema.ts';

type PlanOne = z.infer<typeof planOneSchema>;
type DesignOne = PlanOne['design'];

const range = (prefix: string, from: number, count: number): string[] =>
  Array.from({ length: count }, (_, i) => `${prefix}${from + i}`);

/** What version 1 called the pins of each kind of board, in the order of the edge. */
const oldPins: Readonly<Record<string, readonly string[]>> = {
  'controller-small-5v': range('P', 0, 5),
  'controller-large-5v': [...range('P', 2, 12), ...range('L', 0, 6)],
  'controller-radio-3v3': [
    ...['G0', 'G2', 'G4', 'G5', 'G13', 'G14'],
    ...range('G', 16, 4),
    ...range('G', 25, 3),
    ...['G32', 'G33', 'V34'],
  ],
  'controller-tiny-3v': range('P', 0, 5),
  'controller-sewable-3v3': range('S', 0, 7),
  'controller-dual-3v3': [...range('D', 0, 23), ...range('A', 0, 3)],
  'controller-radio-small-3v3': range('G', 0, 11),
  'controller-huge-5v': [...range('P', 2, 12), ...range('P', 22, 26), ...range('L', 0, 16)],
};

/** Ids of version 2 are one family: what would meet another gets a new one. */
interface Ids {
  readonly board: string;
  readonly pack: string;
  readonly switch: string;
  readonly converter: string;
  readonly controls: ReadonlyMap<string, string>;
}

function chooseIds({ tapes, leds, moods, drive }: DesignOne): Ids {
  const taken = new Set([...tapes, ...leds, ...(moods.sets ?? [])].map((each) => each.id));
  const free = (wanted: string): string => {
    let id = wanted;
    for (let i = 2; taken.has(id); i += 1) id = `${wanted.slice(0, 36)}-${i}`;
    taken.add(id);
    return id;
  };
  const controls = new Map(drive.controls.map((control) => [control.id, free(control.id)]));
  return { controls, board: free('board'), pack: free('pack'), switch: free('switch'), converter: free('converter') };
}

const ways: Readonly<Record<DesignOne['leds'][number]['drivenBy'], SwitchedBy>> = {
  auto: { way: 'auto' },
  pin: { way: 'pin high', board: null },
  transistor: { way: 'transistor below', board: null, part: null },
};

function migrateLights({ tapes, leds, drive, power }: DesignOne): Item[] {
  return [
    ...tapes.map(
      ({ channelId, ...tape }): Item => ({
        kind: 'pixel tape',
        ...tape,
        hollowId: channelId,
        feed: null,
        board: null,
        // In version 1 one setting held for every line.
        dataResistorOhm: tape.after === null ? drive.dataResistorOhm : null,
        levelShifter: tape.after === null && drive.levelShifter,
        reservoirUf: tape.after === null ? power.reservoirUf : null,
      }),
    ),
    ...leds.map(
      ({ drivenBy, ...group }): Item => ({
        kind: 'light',
        ...group,
        feed: null,
        switchedBy: ways[drivenBy],
        wiring: 'pair',
        resistorAt: 'light',
        ...(drivenBy === 'transistor' ? {} : { waySoldered: 'not said' as const }),
      }),
    ),
  ];
}

function migrateBoard({ drive }: DesignOne, ids: Ids): Item[] {
  if (drive.controller === null) return [];
  const pins = oldPins[drive.controller] ?? [];
  const numberOf = (pin: string): string => (pins.includes(pin) ? String(pins.indexOf(pin) + 1) : pin);
  const renamed = (demand: string): string => {
    const [kind, id = ''] = demand.split(':');
    return kind === 'control' ? `control:${ids.controls.get(id) ?? id}` : demand;
  };
  return [
    {
      kind: 'board',
      id: ids.board,
      name: 'Board',
      at: drive.at,
      part: drive.controller,
      feed: null,
      pinLocks: drive.pinLocks.map(({ demand, pin }) => ({ demand: renamed(demand), pin: numberOf(pin) })),
      pinNames: pins.map((name, i) => ({ pin: String(i + 1), name })),
    },
  ];
}

function migrateControls({ drive }: DesignOne, ids: Ids): Item[] {
  return drive.controls.map((control): Item => {
    const common = { id: ids.controls.get(control.id) ?? control.id, board: null };
    return control.kind === 'charge sense' ? { ...control, ...common, of: null } : { ...control, ...common };
  });
}

const isTouched = ({ power }: DesignOne): boolean =>
  power.pack !== null || power.fuseA !== null || power.plug !== null || power.capacityMah !== null;

function migrateSupply(design: DesignOne, ids: Ids): Item[] {
  const { power, drive } = design;
  const pack: Item[] = isTouched(design)
    ? [
        {
          kind: 'pack',
          id: ids.pack,
          name: 'Pack',
          at: power.at,
          part: power.pack,
          capacityMah: power.capacityMah,
          fuseA: power.fuseA,
          plug: power.plug,
          housing: power.housing,
          nextToBody: power.nextToBody,
          lockedLid: power.lockedLid,
          minus: 'joined',
          charging: power.charging,
        },
      ]
    : [];
  // In version 1 the switch sat in the pack's lead, and the converter on the board: they keep those places.
  const lever: Item[] =
    power.switch === null
      ? []
      : [
          {
            kind: 'switch',
            id: ids.switch,
            name: 'Switch',
            at: power.at,
            part: power.switch,
            feed: pack.length > 0 ? ids.pack : null,
          },
        ];
  const before = lever.length > 0 ? ids.switch : pack.length > 0 ? ids.pack : null;
  const converter: Item[] =
    power.converter === null
      ? []
      : [
          {
            kind: 'converter',
            id: ids.converter,
            name: 'Converter',
            at: drive.at,
            part: power.converter,
            feed: before,
            minus: 'joined',
          },
        ];
  return [...pack, ...lever, ...converter];
}

/** What version 1 called the pack's lead leads to the converter, or to the board where there is none. */
const leadId = (design: DesignOne, ids: Ids): string =>
  `lead:${design.power.converter === null ? ids.board : ids.converter}`;

const renameRun = (runId: string, design: DesignOne, ids: Ids): string => {
  if (runId === 'pack') return leadId(design, ids);
  const [kind, id = ''] = runId.split(':');
  return kind === 'control' ? `control:${ids.controls.get(id) ?? id}` : runId;
};

/** Steps of the bench by their new names: of wires and of controls. */
const renameStep = (stepId: string, design: DesignOne, ids: Ids): string => {
  const [kind, ...rest] = stepId.split(':');
  if (kind === 'solder') return `solder:${renameRun(rest.join(':'), design, ids)}`;
  if (kind?.startsWith('sensor-')) return `${kind}:${ids.controls.get(rest[0] ?? '') ?? rest[0]}`;
  return stepId;
};

type MoodsOne = DesignOne['moods'];
type MoveOne = MoodsOne['list'][number]['moves'][string];

/** Moods that name the controls by their new ids. */
function migrateMoods(moods: MoodsOne, ids: Ids): MoodsOne {
  const idOf = (id: string): string => ids.controls.get(id) ?? id;
  const move = (each: MoveOne): MoveOne =>
    'controlId' in each && each.controlId !== null ? { ...each, controlId: idOf(each.controlId) } : each;
  const moves = (all: Record<string, MoveOne>): Record<string, MoveOne> =>
    Object.fromEntries(Object.entries(all).map(([on, each]) => [on, move(each)]));
  return {
    ...moods,
    list: moods.list.map((mood) => ({
      ...mood,
      moves: moves(mood.moves),
      ...(mood.tops ? { tops: mood.tops.map((top) => ({ ...top, move: move(top.move) })) } : {}),
    })),
    cues: moods.cues.map((cue) =>
      'controlId' in cue.when ? { ...cue, when: { ...cue.when, controlId: idOf(cue.when.controlId) } } : cue,
    ),
    ...(moods.signs
      ? { signs: moods.signs.map((sign) => ({ ...sign, controlId: idOf(sign.controlId), moves: moves(sign.moves) })) }
      : {}),
  };
}

/** A design of version 1 as a list of items. */
export function migrateDesign(design: DesignOne): Design {
  const ids = chooseIds(design);
  const { piece, view, hollows, moods, wires, ownParts } = design;
  return {
    piece,
    view,
    hollows,
    items: [
      ...migrateLights(design),
      ...migrateBoard(design, ids),
      ...migrateControls(design, ids),
      ...migrateSupply(design, ids),
    ],
    moods: migrateMoods(moods, ids),
    wires: {
      ...wires,
      runs: wires.runs.map((run) => ({ ...run, runId: renameRun(run.runId, design, ids) })),
    },
    ...(ownParts ? { ownParts } : {}),
  };
}

/** A whole plan of version 1 as one of version 2, its kept versions and its bench too. */
export function migrateOne(plan: PlanOne): Plan {
  const { design } = plan;
  const ids = chooseIds(design);
  const ofStep = <T extends { readonly stepId: string }>(each: T): T => ({
    ...each,
    stepId: renameStep(each.stepId, design, ids),
  });
  return {
    ...plan,
    version: 3,
    design: migrateDesign(design),
    bench: { readings: plan.bench.readings.map(ofStep), done: plan.bench.done.map(ofStep) },
    logbook: {
      ...plan.logbook,
      versions: plan.logbook.versions.map((version) => ({ ...version, design: migrateDesign(version.design) })),
    },
  };
}
