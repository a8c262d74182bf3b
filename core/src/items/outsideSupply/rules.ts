import { findPart } from '../../parts/index.ts';
import { say, volts } from '../../units/index.ts';
import { named } from '../finding.ts';
import type { ItemRule } from '../rules.ts';
import type { OutsideSupplyItem } from '../types.ts';

/** A supply sinks below its voltage and rises above it: the other way about one of the three is a slip. */
export const supplyRangeRule: ItemRule<OutsideSupplyItem> = (item, { library, set }) => {
  const usualV = item.volts ?? findPart(library, 'outside-supply', item.part)?.volts;
  if (usualV === undefined) return [];
  const { sinksToV = usualV, risesToV = usualV } = item;
  const sinks = sinksToV > usualV;
  if (!sinks && risesToV >= usualV) return [];
  const wrong = sinks ? sinksToV : risesToV;
  return [
    {
      ...named('supply-range', item.id),
      gravity: 'mend',
      stage: 'power',
      aboutId: item.id,
      actual: { kind: 'voltageV', value: wrong },
      limit: { kind: 'voltageV', value: usualV },
      what: sinks
        ? say`${item.name} is said to sink to ${volts(wrong)}, which is above its ${volts(usualV)}`
        : say`${item.name} is said to rise to ${volts(wrong)}, which is below its ${volts(usualV)}`,
      why: 'It is reckoned as if it kept its voltage there.',
      mend: 'Look which of the two figures is the slip.',
      fixes: [set('As its kind does', { [sinks ? 'sinksToV' : 'risesToV']: undefined })],
    },
  ];
};
