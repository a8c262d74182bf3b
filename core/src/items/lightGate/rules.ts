import { findPart, type TransistorPart } from '../../parts/index.ts';
import { lux, ohms, say, volts } from '../../units/index.ts';
import { type Finding, named } from '../finding.ts';
import type { RailRange } from '../gives.ts';
import { bands } from '../limits.ts';
import type { ItemRule } from '../rules.ts';
import type { LightGateItem } from '../types.ts';
import { designLightGate } from './model.ts';

/** What the sensor’s own current takes of the gate’s voltage even in the dark. */
const GATE_HEAD_V = 0.1;

const aboutGate = ({ id }: LightGateItem) => ({ stage: 'drive', aboutId: id }) as const;

/** Whether its two levels of light are met, from a fresh pack to a spent one. */
function judgeLevels(
  gate: LightGateItem,
  part: TransistorPart,
  range: RailRange,
  set: Parameters<ItemRule<LightGateItem>>[1]['set'],
): Finding[] {
  const base = aboutGate(gate);
  const at = (supplyV: number) =>
    designLightGate({
      supplyV,
      pullUpOhm: gate.pullUpOhm,
      ampsPerLux: gate.microampsPerLux * 1e-6,
      thresholdV: part.thresholdV,
      fullOnV: part.gateV,
    });
  const [spent, fresh] = [at(range.leastV), at(range.mostV)];
  const findings: Finding[] = [];
  if (range.leastV < part.gateV)
    findings.push({
      ...base,
      ...named('gate-volts', gate.id),
      gravity: 'mend',
      actual: { kind: 'voltageV', value: range.leastV },
      limit: { kind: 'voltageV', value: part.gateV },
      what: say`${gate.name}: a spent pack gives its gate ${volts(range.leastV)}; it is promised full on at ${volts(part.gateV)}`,
      why: 'Half on it runs warm and the lights dim.',
      mend: 'A transistor that is full on at less, or a higher rail.',
      fixes: [],
    });
  const ohmFor = (level: number, gateV: number, supplyV: number): number =>
    (supplyV - gateV) / (level * gate.microampsPerLux * 1e-6);
  // Full on in the dark asks for so much at most, off in light for so much at least.
  const mostOhm = ohmFor(gate.darkLux, part.gateV, Math.max(range.leastV, part.gateV + GATE_HEAD_V));
  const leastOhm = ohmFor(gate.brightLux, part.thresholdV, range.mostV);
  const { least: leastInUseOhm, most: mostInUseOhm } = bands.resistorOhm;
  const fromOhm = Math.max(leastOhm, leastInUseOhm);
  const toOhm = Math.min(mostOhm, mostInUseOhm);
  const best = Math.sqrt(fromOhm * toOhm);
  const serves = fromOhm <= toOhm;
  const takeBest = set(say`Take ${ohms(best)}`, { pullUpOhm: Math.round(best) });
  if (!serves && range.leastV >= part.gateV)
    return [
      {
        ...base,
        ...named('gate-levels', gate.id),
        gravity: 'mend',
        actual: { kind: 'resistanceOhm', value: leastOhm },
        limit: { kind: 'resistanceOhm', value: mostOhm },
        what: say`${gate.name}: no pull-up is full on below ${lux(gate.darkLux)} and off above ${lux(gate.brightLux)}`,
        why: say`To go out it takes ${ohms(leastOhm)} at least, to be full on ${ohms(mostOhm)} at most, from a fresh pack to a spent one.`,
        mend:
          leastOhm <= mostOhm
            ? say`Resistors in use go from ${ohms(leastInUseOhm)} to ${ohms(mostInUseOhm)}: take a sensor that carries ${leastOhm > mostInUseOhm ? 'more' : 'less'} in the same light.`
            : 'Set the two levels farther apart, or take a transistor that is full on at less.',
        fixes: [],
      },
    ];
  if (spent.fullOnBelowLux < gate.darkLux && range.leastV >= part.gateV + GATE_HEAD_V)
    findings.push({
      ...base,
      ...named('gate-late', gate.id),
      gravity: 'mend',
      actual: { kind: 'lux', value: spent.fullOnBelowLux },
      limit: { kind: 'lux', value: gate.darkLux },
      what: say`${gate.name} is full on only below ${lux(spent.fullOnBelowLux)} on a spent pack; you want it lit below ${lux(gate.darkLux)}`,
      why: 'Between full on and off the transistor is half on: the light is dim and the transistor warm.',
      mend: say`A smaller pull-up, about ${ohms(best)}.`,
      fixes: [takeBest],
    });
  if (fresh.offAboveLux > gate.brightLux)
    findings.push({
      ...base,
      ...named('gate-lit-by-day', gate.id),
      gravity: 'mend',
      actual: { kind: 'lux', value: fresh.offAboveLux },
      limit: { kind: 'lux', value: gate.brightLux },
      what: say`${gate.name} goes out only above ${lux(fresh.offAboveLux)} on a fresh pack; you want it dark above ${lux(gate.brightLux)}`,
      why: 'By day it stays lit and the pack is empty at night.',
      mend: say`A larger pull-up, about ${ohms(best)}.`,
      fixes: [takeBest],
    });
  return findings;
}

/** A light gate that is not full on in its dark, or not off in its light: from fresh to spent. */
export const gateRule: ItemRule<LightGateItem> = (gate, { library, range, set }) => {
  const part = findPart(library, 'transistor', gate.part);
  if (!part || !range) return [];
  const base = aboutGate(gate);
  if (part.type !== 'field-effect' || part.side !== 'low')
    return [
      {
        ...base,
        ...named('gate-kind', gate.id),
        gravity: 'stop',
        what: `${gate.name} switches with ${part.name}`,
        why: 'A pull-up of this size feeds a gate, not a base: only a field-effect transistor below its lights can be switched by it.',
        mend: 'Take an N-channel field-effect transistor.',
        fixes: [],
      },
    ];
  return judgeLevels(gate, part, range, set);
};
