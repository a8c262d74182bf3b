import type { Assessment } from '../assess.ts';
import { type Element, spiceLines } from '../circuit/index.ts';
import { type Condition, drawNetwork, type ExactNode } from '../exact/index.ts';
import type { Design, Plan } from '../plan/index.ts';

/** One line, whatever the maker’s name holds. */
const inLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** A condition where the maker says nothing: the hungriest mood at its height, half full, all switches closed. */
export const usualCondition = ({ hungriest }: Assessment): Condition => ({
  charge: 0.5,
  moodId: hungriest?.moodId ?? null,
  openIds: [],
});

/** An item by its name; a small part by what it is and the item that it serves. */
function nameOf(design: Design, id: string): string {
  const own = design.items.find((item) => item.id === id);
  if (own) return inLine(own.name);
  const [what = ''] = id.split(':');
  const served = design.items.find((item) => `${id}:`.startsWith(`${what}:${item.id}:`));
  if (!served) return inLine(id);
  const rest = id.slice(what.length + served.id.length + 2);
  return `${what}${rest === '' ? '' : ` ${rest}`} of ${inLine(served.name)}`;
}

function tellCondition({ design }: Plan, { charge, moodId, openIds }: Condition): string {
  const mood = design.moods.list.find((each) => each.id === moodId);
  const lit = mood ? `${inLine(mood.name)} at its height, as it is set` : 'every light that a program drives is dark';
  const open =
    openIds.length === 0 ? 'every switch closed' : `open: ${openIds.map((id) => nameOf(design, id)).join(', ')}`;
  return `packs at ${Math.round(charge * 1000) / 10} % of their charge; ${lit}; ${open}`;
}

const tellNode = (design: Design, node: ExactNode): string => {
  const ports = node.ports.map(({ item, port }) => `${nameOf(design, item)} ${port}`).join(', ');
  const net = node.net ? inLine(node.net.name) : 'inside';
  return `* ${node.id}: ${net}${ports === '' ? '' : ` (${ports})`}${node.isFed ? '' : ': no way leads to a source'}`;
};

/** Says that there is no operating point where something has less before it than it works from. */
function checkInput(element: Element): readonly string[] {
  const needs =
    element.kind === 'converter'
      ? { plus: element.inPlus, minus: element.inMinus, leastV: element.leastV }
      : element.kind === 'current' && element.leastV !== undefined
        ? { plus: element.from, minus: element.to, leastV: element.leastV }
        : null;
  if (!needs) return [];
  const [plus, minus] = [needs.plus, needs.minus].map((node) => (node === '0' ? '0' : `v(${node})`));
  return [
    `if ${plus} - ${minus} < ${needs.leastV}`,
    `echo no solution: ${inLine(element.name)} has less than ${needs.leastV} V before it`,
    'end',
  ];
}

/**
 * The exact network of a plan in one condition as a SPICE-format text, an open format: it runs as it stands in batch mode
 * and prints the voltage of every net at each of its places.
 * @throws NoSuchCondition where the condition names a mood or a switch that is not there
 */
export function exportNetlist(plan: Plan, assessment: Assessment, condition: Condition): string {
  const { design } = plan;
  const { netlist, nodes, owners } = drawNetwork(design, assessment, condition);
  const byOwner = new Map<string, string[]>();
  for (const [index, element] of netlist.entries()) {
    const owner = owners.get(element.name) ?? '';
    byOwner.set(owner, [...(byOwner.get(owner) ?? []), ...spiceLines(element, index)]);
  }
  const isItem = new Set(design.items.map((item) => item.id));
  const runNames = new Map(assessment.joins.map((run) => [run.id, `wire: ${inLine(run.name)}`]));
  const kinds = new Map(design.items.map((item) => [item.id, item.kind]));
  const voltages = nodes.filter(({ id }) => id !== '0');
  return [
    `${inLine(plan.name)}: its network, piece by piece`,
    `* ${tellCondition(plan, condition)}`,
    '* Volts, amperes, ohms. A light that is lit for a part of the time has its voltages while it is lit, its mean current.',
    '* A light gate stands as in a dark room; what controls and signals draw is not in here.',
    '',
    '* Nets',
    ...nodes.map((node) => tellNode(design, node)),
    '',
    ...[...byOwner].flatMap(([owner, lines]) => [
      `* ${isItem.has(owner) ? `${nameOf(design, owner)} (${kinds.get(owner)})` : (runNames.get(owner) ?? owner)}`,
      ...lines,
    ]),
    '',
    '.options rshunt=1e12 cshunt=1e-12 reltol=1e-5 abstol=1e-11 vntol=1e-8 gmin=1e-15 epsmin=1e-99 itl1=500',
    '.control',
    'set numdgt=9',
    'op',
    ...netlist.flatMap(checkInput),
    ...voltages.map(({ id }) => `print v(${id})`),
    '.endc',
    '.end',
    '',
  ].join('\n');
}
