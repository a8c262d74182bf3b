import { type Element, nodesOf } from './netlist.ts';

/** Letters and digits only, so that any reader of the format takes it. */
const clean = (text: string): string => text.replace(/[^A-Za-z0-9]+/g, '_');

function line(element: Element, index: number): readonly string[] {
  const id = `${index + 1}_${clean(element.name)}`;
  const at = nodesOf(element).map((node) => (node === '0' ? '0' : clean(node)));
  switch (element.kind) {
    case 'resistor':
      return [`R${id} ${at.join(' ')} ${element.ohm}`];
    case 'switch':
      return [`R${id} ${at.join(' ')} ${element.closed ? 1e-3 : 1e15}`];
    case 'voltage':
      return [`V${id} ${at.join(' ')} DC ${element.volts}`];
    case 'current':
      return [`I${id} ${at.join(' ')} DC ${element.amps}`];
    case 'diode': {
      const { saturationA, nVtV, seriesOhm } = element.curve;
      // N·Vt at the format's 27 °C, where k·T/q is 25.865 mV.
      return [
        `D${id} ${at.join(' ')} D${id}`,
        `.model D${id} D(IS=${saturationA} N=${nVtV / 0.025865} RS=${seriesOhm})`,
      ];
    }
    case 'npn':
    case 'pnp':
      return [
        `Q${id} ${[at[1], at[0], at[2]].join(' ')} Q${id}`,
        `.model Q${id} ${element.kind.toUpperCase()}(IS=${element.saturationA} BF=${element.gain} BR=2)`,
      ];
    case 'nmos':
    case 'pmos': {
      const k = 1 / (element.onOhm * (element.atGateV - element.thresholdV));
      const threshold = element.kind === 'nmos' ? element.thresholdV : -element.thresholdV;
      return [
        `M${id} ${[at[1], at[0], at[2], at[2]].join(' ')} M${id} W=1 L=1`,
        `.model M${id} ${element.kind.toUpperCase()}(LEVEL=1 VTO=${threshold} KP=${k})`,
      ];
    }
    case 'power load': {
      const v = `V(${at.join(',')})`;
      return [
        `B${id} ${at.join(' ')} I=${v}>${element.leastV}?${element.watts}/${v}:${element.watts / element.leastV ** 2}*${v}`,
      ];
    }
    case 'converter': {
      const [inPlus, inMinus, outPlus, outMinus] = at;
      const { table, fullA, statedInputV, perVolt, least, most } = element.law;
      const amps = `(-i(V${id}))`;
      const load = `${amps}/${fullA}`;
      const v = `max(V(${inPlus},${inMinus}),${element.leastV})`;
      const [first, last] = [table[0]?.[0] ?? 0, table[table.length - 1]?.[0] ?? 0];
      const atLoad =
        table.length < 2
          ? `${table[0]?.[1] ?? most}`
          : `pwl(min(max(${load},${first}),${last}),${table.map(([a, share]) => `${a},${share}`).join(',')})`;
      const share = `min(${most},max(${least},${atLoad}+${perVolt}*(${v}-${statedInputV})))`;
      return [
        `V${id} ${outPlus} ${outMinus} DC ${element.volts}`,
        `B${id} ${inPlus} ${inMinus} I=(${element.volts}*${amps}/(${share})/${v}+${element.idleA})*V(${inPlus},${inMinus})/${v}`,
      ];
    }
    case 'regulator': {
      const [input, output, minus] = at;
      return [
        `B${id} r${id} ${minus} V=max(0,min(${element.volts},V(${input},${minus})-${element.dropOutV}))`,
        `V${id} r${id} ${output} DC 0`,
        `Bi${id} ${input} ${minus} I=i(V${id})+${element.idleA}`,
      ];
    }
    case 'falling load': {
      const v = `V(${at.join(',')})`;
      return [`B${id} ${at.join(' ')} I=${element.amps}*min(1,max(0,${v}/${element.fullAboveV}))`];
    }
  }
}

/** Lines of one element, for whoever sets them out with comments of its own. */
export const spiceLines = line;
