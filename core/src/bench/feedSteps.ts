import type { Assessment } from '../assess.ts';
import { kindOf } from '../items/index.ts';
import { findPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { planCharging } from '../power/index.ts';
import { tabulateStates } from '../states/index.ts';
import { hours, say } from '../units/index.ts';
import { expectBetween, expectShare } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

/** What a meter of the usual kind lets leak over a diode that blocks. */
const BLOCKED_V = 0.5;

/** Two feeds of one rail, each tried by itself. */
export function changeoverSteps({ rails }: Assessment): BenchStep[] {
  return rails.list.flatMap((rail): BenchStep[] => {
    if (rail.gives.form !== 'changeover') return [];
    const { by, other } = rail.gives.item;
    const sides = [rail.fromId, other].flatMap((id) => (id === null ? [] : (rails.byId.get(id) ?? [])));
    if (sides.length < 2) return [];
    const [first, second] = sides;
    const lostV = first?.range && rail.range ? first.range.nominalV - rail.range.nominalV : 0;
    const each = sides.flatMap((side, s): BenchStep[] =>
      side.range
        ? [
            step({
              id: `feed:${rail.id}:${s === 0 ? 'first' : 'second'}`,
              chapter: 'First power',
              title: `${rail.name} on ${side.name}`,
              todo:
                by === 'switch'
                  ? `Throw it to ${side.name}, lights and controllers still unplugged.`
                  : `Plug in ${side.name} alone, with ${(s === 0 ? second : first)?.name} unplugged.`,
              probe: 'Direct volts at its output.',
              expect: expectBetween(
                'voltageV',
                side.range.leastV - lostV,
                side.range.mostV - lostV,
                side.range.nominalV - lostV,
              ),
            }),
          ]
        : [],
    );
    return [
      ...each,
      ...(by === 'joined'
        ? []
        : [
            step({
              id: `feed-back:${rail.id}`,
              chapter: 'First power',
              title: `Nothing comes back out of ${rail.name}`,
              todo: `Plug in ${first?.name} alone${by === 'switch' ? ', the switch on it' : ''}. Measure at the open plug of ${second?.name}.`,
              probe: 'Direct volts, red on its plus, black on minus.',
              expect: { kind: 'voltageV', likely: 0, low: -BLOCKED_V, high: BLOCKED_V },
              caution: 'A voltage here means that the two feeds are joined: do not plug in the second one.',
            }),
          ]),
    ];
  });
}

/** Chargers in the piece: what they are cut off from, and what they give. */
export function chargerSteps(design: Design, assessment: Assessment): BenchStep[] {
  const { levers, states } = tabulateStates(design, assessment);
  return design.items.flatMap((item): BenchStep[] => {
    if (kindOf(item.kind).role !== 'charges' || !('part' in item)) return [];
    const part = findPart(assessment.library, 'charger', item.part);
    if (!part || !levers.some(({ id }) => id === item.id)) return [];
    const { rails } = assessment;
    const source = rails.byId.get(rails.byId.get(rails.feedOf(item) ?? '')?.sourceId ?? '');
    const gives = source?.gives;
    const plan =
      gives?.form === 'cells' && gives.part
        ? planCharging({
            chemistry: gives.part.chemistry,
            capacityMah: (gives.item.capacityMah ?? gives.part.capacityMah).likely,
            chargerA: part.chargeA,
            loadA: 0,
          })
        : null;
    const isCutOff = states.some(
      ({ fedBy, troubles }) =>
        source !== undefined &&
        fedBy.get(source.id)?.includes(item.id) &&
        !troubles.some((one) => 'chargerId' in one && one.chargerId === item.id),
    );
    const hasSwitch = levers.some(({ kind }) => kind === 'switch');
    return [
      ...(isCutOff && hasSwitch
        ? [
            step({
              id: `charge-path:${item.id}`,
              chapter: 'Before power',
              title: `${item.name} is cut off from all that draws`,
              todo: 'Pack unplugged, every switch off, all else joined.',
              probe: `Ohms, red on the plus of ${item.name}, black on the plus of the rail behind the switch.`,
              expect: {
                kind: 'resistanceOhm',
                likely: Number.POSITIVE_INFINITY,
                low: 100_000,
                high: Number.POSITIVE_INFINITY,
              },
            }),
          ]
        : []),
      step({
        id: `charge-current:${item.id}`,
        chapter: 'First power',
        title: `What ${item.name} gives`,
        todo: say`Switches off, pack in and not full, charger joined: stay with it.${plan ? say` From empty it takes about ${hours(plan.hours)}.` : ''}`,
        probe: 'Meter on the 10 A range, in the plus lead of the charger. Back to volts afterwards.',
        expect: expectShare('currentA', part.chargeA, 0.15),
        caution:
          'Never charge unwatched, nor a cell that is dented, wet, hot or below its cut-off. Follow the makers of cell and charger.',
      }),
    ];
  });
}
