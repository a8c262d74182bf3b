import { designLightGate, reachMm } from '../drive/index.ts';
import { itemsOf } from '../items/index.ts';
import { findPart } from '../parts/index.ts';
import { changeItem, changeWay } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Finding, Rule } from './finding.ts';

const lux = (value: number): string => printQuantity('lux', value);
const mm = (value: number): string => printQuantity('lengthMm', value);

/** A light gate that is not full on in its dark, or not off in its light: from fresh to spent. */
export const gateRule: Rule = ({ design, assessment, library }) =>
  itemsOf(design, 'light gate').flatMap((gate): Finding[] => {
    const part = findPart(library, 'transistor', gate.part);
    const railId = assessment.rails.feedOf(gate);
    const range = railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null);
    if (!part || !range) return [];
    const base = { stage: 'drive', aboutId: gate.id } as const;
    if (part.type !== 'field-effect' || part.side !== 'low')
      return [
        {
          ...base,
          id: `gate-kind:${gate.id}`,
          gravity: 'stop',
          what: `${gate.name} switches with ${part.name}`,
          why: 'A pull-up of this size feeds a gate, not a base: only a field-effect transistor below its lights can be switched by it.',
          mend: 'Take an N-channel field-effect transistor.',
          fixes: [],
        },
      ];
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
        id: `gate-volts:${gate.id}`,
        gravity: 'mend',
        actual: { kind: 'voltageV', value: range.leastV },
        limit: { kind: 'voltageV', value: part.gateV },
        what: `${gate.name}: a spent pack gives its gate ${printQuantity('voltageV', range.leastV)}; it is promised full on at ${printQuantity('voltageV', part.gateV)}`,
        why: 'Half on it runs warm and the lights dim.',
        mend: 'A transistor that is full on at less, or a higher rail.',
        fixes: [],
      });
    const ohmFor = (level: number, gateV: number, supplyV: number): number =>
      (supplyV - gateV) / (level * gate.microampsPerLux * 1e-6);
    const best = Math.sqrt(
      Math.max(1, ohmFor(gate.darkLux, part.gateV, Math.max(range.leastV, part.gateV + 0.1))) *
        Math.max(1, ohmFor(gate.brightLux, part.thresholdV, range.mostV)),
    );
    if (spent.fullOnBelowLux < gate.darkLux && range.leastV >= part.gateV)
      findings.push({
        ...base,
        id: `gate-late:${gate.id}`,
        gravity: 'mend',
        actual: { kind: 'lux', value: spent.fullOnBelowLux },
        limit: { kind: 'lux', value: gate.darkLux },
        what: `${gate.name} is full on only below ${lux(spent.fullOnBelowLux)} on a spent pack; you want it lit below ${lux(gate.darkLux)}`,
        why: 'Between full on and off the transistor is half on: the light is dim and the transistor warm.',
        mend: `A smaller pull-up, about ${printQuantity('resistanceOhm', best)}.`,
        fixes: [
          {
            label: `Take ${printQuantity('resistanceOhm', best)}`,
            changes: changeItem(design, gate.id, { pullUpOhm: Math.round(best) }),
          },
        ],
      });
    if (fresh.offAboveLux > gate.brightLux)
      findings.push({
        ...base,
        id: `gate-lit-by-day:${gate.id}`,
        gravity: 'mend',
        actual: { kind: 'lux', value: fresh.offAboveLux },
        limit: { kind: 'lux', value: gate.brightLux },
        what: `${gate.name} goes out only above ${lux(fresh.offAboveLux)} on a fresh pack; you want it dark above ${lux(gate.brightLux)}`,
        why: 'By day it stays lit and the pack is empty at night.',
        mend: `A larger pull-up, about ${printQuantity('resistanceOhm', best)}.`,
        fixes: [
          {
            label: `Take ${printQuantity('resistanceOhm', best)}`,
            changes: changeItem(design, gate.id, { pullUpOhm: Math.round(best) }),
          },
        ],
      });
    return findings;
  });

/** What is left in hand over the wall that a magnet has to reach through. */
const REACH_MARGIN = 1.3;

/** A magnet switch whose magnet does not reach it, or that never lets go. */
export const magnetRule: Rule = ({ design, library }) =>
  itemsOf(design, 'switch').flatMap((item): Finding[] => {
    const part = findPart(library, 'switch', item.part);
    if (!part?.magnetic) return [];
    const base = { stage: 'power', aboutId: item.id } as const;
    if (!item.magnet)
      return [
        {
          ...base,
          id: `magnet-none:${item.id}`,
          gravity: 'mend',
          what: `${item.name} is worked by a magnet, and none is told of`,
          why: 'Whether it closes through the wall follows from the magnet’s size and strength.',
          mend: 'Say which magnet, and how thick the wall is.',
          fixes: [
            {
              label: 'A disc of 6 × 3 mm behind 3 mm',
              changes: [
                {
                  path: ['items'],
                  value: design.items.map((each) =>
                    each.id === item.id
                      ? {
                          ...each,
                          magnet: { diameterMm: 6, thicknessMm: 3, remanenceMt: 1200, wallMm: 3, litWhen: 'near' },
                        }
                      : each,
                  ),
                },
              ],
            },
          ],
        },
      ];
    const magnet = { Br: item.magnet.remanenceMt, r: item.magnet.diameterMm / 2, t: item.magnet.thicknessMm };
    const pullInMm = reachMm(magnet, part.magnetic.pullInMt);
    if (pullInMm >= item.magnet.wallMm * REACH_MARGIN) return [];
    return [
      {
        ...base,
        id: `magnet-weak:${item.id}`,
        gravity: pullInMm >= item.magnet.wallMm ? 'mend' : 'stop',
        actual: { kind: 'lengthMm', value: pullInMm },
        limit: { kind: 'lengthMm', value: item.magnet.wallMm * REACH_MARGIN },
        what: `The magnet of ${item.name} closes it from ${mm(pullInMm)}; the wall is ${mm(item.magnet.wallMm)}`,
        why: 'A little off the axis, or with steel nearby, it does not close.',
        mend: 'A stronger or larger magnet, or a thinner wall over the switch.',
        fixes: [],
      },
    ];
  });

/** A load that a pin should switch: moods can't do that yet, so it would hang on nothing. */
export const loadWayRule: Rule = ({ design, assessment }) =>
  itemsOf(design, 'load').flatMap((item): Finding[] => {
    const [first] = assessment.switched.get(item.id) ?? [];
    if (!first || first.way.pin === 'none') return [];
    return [
      {
        id: `load-way:${item.id}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: item.id,
        what: `${item.name} is to be switched by ${first.way.words}`,
        why: 'Programs light lights; a load on a pin would neither be started nor stopped.',
        mend: 'Feed it always, or by a switch, a gate or a box.',
        fixes: [{ label: 'Feed it always', changes: changeWay(design, item.id, { way: 'always on' }) }],
      },
    ];
  });

/** The colours of a plain tape have their plus in common: it can hang on one net alone. */
export const commonPlusRule: Rule = ({ design, assessment }) =>
  itemsOf(design, 'plain tape').flatMap((item): Finding[] => {
    const channels = assessment.switched.get(item.id) ?? [];
    const plusNets = new Set(
      channels.map(({ way, railId, channel, by }) =>
        way.plusSide === 'rail plus'
          ? `rail ${railId}`
          : way.plusSide === 'channel'
            ? `channel ${channel}`
            : `${by?.id}`,
      ),
    );
    if (channels.length < 2 || plusNets.size < 2) return [];
    return [
      {
        id: `common-plus:${item.id}`,
        gravity: 'stop',
        stage: 'lights',
        aboutId: item.id,
        what: `The colours of ${item.name} share one plus, and are to be switched on ${plusNets.size} different ones`,
        why: 'Joined by the tape, the nets short each other: colours light together, or a supply feeds into another.',
        mend: 'Switch every colour below, towards minus, and feed the common plus from one rail.',
        fixes: [
          {
            label: 'Switch each colour with a transistor below',
            changes: changeWay(design, item.id, { way: 'transistor below', board: null, part: null }),
          },
        ].filter(() => assessment.boards.length > 0),
      },
    ];
  });
