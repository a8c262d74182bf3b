import { type Finding, type Item, kindOf, named, type Told } from '../items/index.ts';
import { type ChargerPart, chargers, chemistries, findPart, type PackPart } from '../parts/index.ts';
import { changeItem, itemNamed } from '../plan/index.ts';
import { chargeRates, planCharging } from '../power/index.ts';
import { tabulateStates } from '../states/index.ts';
import { amps, type Message, roughPercent, say } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';

type ChargerItem = Extract<Item, { inlet: string }>;

interface Charged {
  readonly item: ChargerItem;
  readonly part: ChargerPart;
  readonly packId: string;
  readonly packName: string;
  readonly pack: PackPart;
  readonly capacityMah: number;
}

const charges = (item: Item): item is ChargerItem => kindOf(item.kind).role === 'charges' && 'inlet' in item;

function chargersOf({ design, library, assessment }: RuleInput) {
  return design.items.filter(charges).flatMap((item) => {
    const part = findPart(library, 'charger', item.part);
    const railId = assessment.rails.feedOf(item);
    const source = assessment.rails.byId.get(assessment.rails.byId.get(railId ?? '')?.sourceId ?? '');
    return part ? [{ item, part, source }] : [];
  });
}

const chargedOf = (input: RuleInput): Charged[] =>
  chargersOf(input).flatMap(({ item, part, source }): Charged[] => {
    if (source?.gives.form !== 'cells' || !source.gives.part) return [];
    const { gives } = source;
    const pack = source.gives.part;
    return [
      {
        item,
        part,
        packId: source.id,
        packName: source.name,
        pack,
        capacityMah: (gives.item.capacityMah ?? pack.capacityMah).likely,
      },
    ];
  });

const about = ({ id }: ChargerItem) => ({ stage: 'power', aboutId: id }) as const;

/** Chargers made for a pack, that charge it no faster than it bears: the quickest first. */
const chargersFor = ({ pack, capacityMah }: Charged): ChargerPart[] =>
  chargers
    .filter(
      (part) =>
        part.chemistry === pack.chemistry &&
        part.cellsInSeries === pack.cellsInSeries &&
        planCharging({ chemistry: pack.chemistry, capacityMah, chargerA: part.chargeA, loadA: 0 })?.tooFast === false,
    )
    .sort((a, b) => b.chargeA - a.chargeA);

const offer = (input: RuleInput, charged: Charged) =>
  chargersFor(charged)
    .slice(0, 1)
    .map((part) => ({
      label: `Take: ${part.name}`,
      edits: changeItem(input.design, charged.item.id, { part: part.id }),
    }));

/** What is told of a charger that gives more than its pack bears, wherever it is asked about. */
export const tellTooFast = (of: {
  readonly charger: Message;
  readonly pack: Message;
  readonly chargerA: number;
  readonly mostA: number;
  readonly chemistry: PackPart['chemistry'];
}): Told => ({
  rule: 'charger-fast',
  gravity: 'stop',
  actual: { kind: 'currentA', value: of.chargerA },
  limit: { kind: 'currentA', value: of.mostA },
  what: say`${of.charger} gives ${amps(of.chargerA)}; ${of.pack} bears ${amps(of.mostA)}`,
  why: say`More than ${roughPercent(chargeRates[of.chemistry]?.most ?? 0)} of its capacity in an hour heats the cells, and ages or bursts them.`,
  mend: 'Take a smaller charger, or a larger pack.',
});

/** A charger that is not made for its pack, or that is too strong for it. */
export const chargerSuitsRule: Rule = (input) =>
  chargedOf(input).flatMap((charged): Finding[] => {
    const { item, part, pack, packName, capacityMah } = charged;
    // Cells that are never charged are told of at their pack.
    if (!chemistries[pack.chemistry].rechargeable) return [];
    if (part.chemistry !== pack.chemistry || part.cellsInSeries !== pack.cellsInSeries)
      return [
        {
          ...about(item),
          ...named('charger-other', item.id),
          gravity: 'stop',
          what: `${item.name} is made for ${part.cellsInSeries} × ${part.chemistry}; ${packName} is ${pack.cellsInSeries} × ${pack.chemistry}`,
          why: 'It ends at another voltage: the cells are never full, or are charged past it and can burn.',
          mend: 'Take a charger made for this pack.',
          fixes: offer(input, charged),
        },
      ];
    const plan = planCharging({ chemistry: pack.chemistry, capacityMah, chargerA: part.chargeA, loadA: 0 });
    if (!plan?.tooFast) return [];
    return [
      {
        ...about(item),
        ...tellTooFast({
          charger: item.name,
          pack: packName,
          chargerA: part.chargeA,
          mostA: plan.mostA,
          chemistry: pack.chemistry,
        }),
        ...named('charger-fast', item.id),
        fixes: offer(input, charged),
      },
    ];
  });

/** A load beside a pack that is charged: it hides the end from a charger that has no way past the pack. */
export const loadWhileChargingRule: Rule = (input) => {
  const charged = chargedOf(input).filter(({ part }) => !part.sharesLoad);
  if (charged.length === 0) return [];
  const { states } = tabulateStates(input.design, input.assessment);
  return charged.flatMap((each): Finding[] => {
    const { item, part, packName } = each;
    const joined = states.filter(({ troubles }) =>
      troubles.some((one) => one.kind === 'load beside' && one.chargerId === item.id),
    );
    const pack = itemNamed(input.design, each.packId);
    const isCharging = states.some(({ fedBy }) => fedBy.get(each.packId)?.includes(item.id));
    const hasWayOut = states.some(
      ({ fedBy, troubles }) =>
        fedBy.get(each.packId)?.includes(item.id) &&
        !troubles.some((one) => 'chargerId' in one && one.chargerId === item.id),
    );
    if (!isCharging || joined.length === 0) return [];
    const [first] = joined.flatMap(({ troubles }) =>
      troubles.flatMap((one) => (one.kind === 'load beside' && one.chargerId === item.id ? [one] : [])),
    );
    const beside = new Set(first?.itemIds);
    const loadA = input.assessment.consumers
      .filter(({ id }) => beside.has(id))
      .reduce((sum, { restA, steadyA }) => sum + restA + steadyA, 0);
    const endA = part.chargeA * part.endShare;
    // Where an open switch cuts it off, the pack’s own word of how it is charged tells the rest.
    const isMeantOff = pack && 'charging' in pack && pack.charging === 'in place, switched off';
    if (hasWayOut && isMeantOff) return [];
    return [
      {
        ...about(item),
        ...named('charge-load', item.id),
        gravity: hasWayOut || loadA < endA ? 'mend' : 'stop',
        actual: { kind: 'currentA', value: loadA },
        limit: { kind: 'currentA', value: endA },
        what: hasWayOut
          ? say`While ${packName} is charged, what hangs on it draws ${amps(loadA)} unless it is switched off`
          : say`Whatever is switched, ${amps(loadA)} are drawn beside ${packName} while it is charged`,
        why: say`${item.name} stops where its current falls to ${amps(endA)}: a load beside the pack hides that, and the cells are held at their full voltage for ever.`,
        mend: 'Put a switch between the pack and all that draws, with the charger on the pack’s side of it; or take a charger with a way past the pack.',
        fixes: [],
      },
    ];
  });
};

/** A charger that reaches no pack in any position, since its lead ends behind an open switch or at another rail. */
export const chargesNothingRule: Rule = (input) => {
  const charged = chargedOf(input);
  if (charged.length === 0) return [];
  const { states, levers } = tabulateStates(input.design, input.assessment);
  return charged.flatMap(({ item, packName }): Finding[] => {
    if (!levers.some(({ id }) => id === item.id)) return [];
    const isReaching = (isOff: boolean): boolean =>
      states.some(({ troubles, positions }) => {
        const at = levers.findIndex(({ id }) => id === item.id);
        const isRight =
          positions[at] === 1 && (!isOff || levers.every((lever, i) => lever.kind !== 'switch' || positions[i] === 0));
        return isRight && !troubles.some((one) => one.kind === 'charges nothing' && one.chargerId === item.id);
      });
    if (isReaching(true)) return [];
    return [
      {
        ...about(item),
        ...named('charges-nothing', item.id),
        gravity: 'mend',
        what: isReaching(false)
          ? `${item.name} charges ${packName} only while the piece is switched on`
          : `${item.name} reaches no pack`,
        why: 'Its lead ends behind a switch: switched off, nothing is charged; switched on, the load runs beside.',
        mend: 'Let its lead end at the pack itself.',
        fixes: [{ label: `Lead it to ${packName}`, edits: changeItem(input.design, item.id, { feed: null }) }],
      },
    ];
  });
};

/** Bare terminals outside are the poles of the pack: anything of metal shorts them. */
export const bareTerminalsRule: Rule = (input) =>
  chargedOf(input).flatMap(({ item, packId, packName }): Finding[] => {
    if (item.inlet !== 'bare terminals') return [];
    const pack = itemNamed(input.design, packId);
    const isFused = pack !== undefined && 'fuseA' in pack && pack.fuseA !== null;
    return [
      {
        ...about(item),
        ...named('terminals-bare', item.id),
        gravity: isFused ? 'mend' : 'stop',
        what: `${packName} comes out at bare terminals${isFused ? '' : ', without a fuse'}`,
        why: 'A clip, a ring or wet hair across them shorts the pack: the lead glows, and the wearer carries it.',
        mend: 'Take a covered socket; or set the terminals deep, wide apart, behind a fuse and a diode.',
        fixes: [
          { label: 'Take a covered socket', edits: changeItem(input.design, item.id, { inlet: 'covered socket' }) },
        ],
      },
    ];
  });
