import { forwardVoltageV } from '../../circuit/index.ts';
import { meanOfScan } from '../../drive/index.ts';
import type { Finding } from '../../items/index.ts';
import { builtInLibrary, type ControllerPart, controllers, findPart } from '../../parts/index.ts';
import type { Design } from '../../plan/index.ts';
import { fillSum } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, optional, partChoice } from '../inputs.ts';
import { curveOfLight, dropInput, readingsInput } from '../lightCurves.ts';
import { freshItem, layPiece, putPiece } from '../piece.ts';
import { layLights } from '../resistors/lightPiece.ts';
import { steadySource } from '../resistors/lightSource.ts';
import { defineSum, figure, mainFigure, text } from '../sum.ts';

const controllerIds = controllers.map(({ id }) => id.replace('controller-', ''));

interface Asked {
  readonly lights: number;
  readonly supplyV: number;
  readonly supplySpread: number;
  readonly forwardV: number | null;
  readonly readings: readonly (readonly [number, number])[];
  readonly peakA: number;
  readonly ratedA: number;
  readonly forwardSpreadV: number;
  readonly resistorOhm: number | null;
  readonly controller: string;
}

const boardPart = (name: string): ControllerPart => {
  const part = findPart(builtInLibrary, 'controller', `controller-${name}`);
  if (!part) throw new SumError(`There is no controller "${name}"; take one of ${controllerIds.join(', ')}`);
  return part;
};

interface Place {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly newId: () => string;
}

/** The lights, the board that they share pins of and what feeds both, as items of a plan. */
function layShared(asked: Asked, name: string, place: Place) {
  const laid = layLights(
    {
      ...asked,
      source: steadySource(asked.supplyV, asked.supplySpread),
      curve: curveOfLight(asked.forwardV, asked.peakA, asked.readings),
      currentA: asked.peakA,
      inSeries: 1,
      sideBySide: 1,
      ratingW: 0.25,
    },
    { ...place, name },
  );
  const board = freshItem('board', {
    id: place.newId(),
    name: 'Controller',
    at: { xMm: place.widthMm * 0.3, yMm: place.heightMm * 0.8 },
    part: `controller-${asked.controller}`,
  });
  const lights = { ...laid.lights, switchedBy: { way: 'shared pins' as const, board: board.id } };
  return { ...laid, board, lights };
}

/** Answers many lights on few pins, each between two of them. */
export const sharedPinsSum = defineSum({
  name: 'shared-pins',
  title: 'Lights between shared pins',
  about:
    'How many pins so many lights take when each sits between two of them, the resistor at each pin, what a light gets, and what glows falsely.',
  group: 'drive',
  inputs: {
    lights: ask('count', 'lights', 'Lights', 12, { whole: true, least: 2, most: 90, usual: [2, 30] }),
    supplyV: ask('voltageV', 'supply', 'Supply', 5, { least: 1.8, most: 24, usual: [2.5, 12] }),
    controller: partChoice('controller', 'Controller', controllers, 'controller-', 'large-5v'),
    forwardV: dropInput(2.06, 'Forward drop at that current'),
    readings: readingsInput,
    peakA: ask('currentA', 'peak', 'Wanted while its turn is on', 0.015, { most: 0.5, usual: [0.002, 0.04] }),
    ratedA: assume('currentA', 'rated', 'Highest current of the light, for good', 0.02, { most: 3 }),
    forwardSpreadV: assume('voltageV', 'spread', 'Drop varies by, either way', 0.15, { least: 0, most: 1 }),
    supplySpread: assume('fraction', 'supplyspread', 'Supply varies by, either way', 0.05, { least: 0, most: 0.5 }),
    resistorOhm: optional('resistanceOhm', 'resistor', 'Resistor at each pin, already fitted', { least: 1, most: 1e6 }),
  },
  reckon: (asked) => {
    let ids = 0;
    const part = boardPart(asked.controller);
    const laid = layShared(asked, 'Lights A', { widthMm: 100, heightMm: 100, newId: () => String(++ids) });
    const piece = layPiece([laid.lights, laid.board, laid.source], [laid.part]);
    const driven = piece.assessment.driven.find((each) => each.itemId === laid.lights.id);
    if (!driven?.scan)
      throw new SumError('Nothing can be said of these: the supply does not run this controller, or lights nothing');
    const { scan, resistor, corners } = driven;
    const pins = scan.layout.lines.length;
    const free = part.pins.filter(({ can }) => can.includes('out') && can.includes('in')).length;
    const can = resistor === null || resistor.headRoomV > 0;
    const ifCan = (value: number): number | null => (can ? value : null);
    const found: readonly Finding[] = [...piece.toldOf(laid.lights.id), ...piece.toldOf(laid.board.id)];
    return {
      results: [
        mainFigure('pins', 'Pins', 'count', pins),
        figure('mostLights', 'Lights that so many pins could bear', 'count', pins * (pins - 1)),
        text('hasPins', 'The controller has as many that can be let go', free >= pins),
        figure('resistorOhm', 'Resistor at each pin', 'resistanceOhm', can ? (resistor?.resistorOhm ?? null) : null),
        figure('peakA', 'While its turn is on', 'currentA', ifCan(corners.currentA)),
        figure('brightestA', 'Brightest corner', 'currentA', ifCan(corners.brightestA)),
        figure('meanA', 'Mean of a light', 'currentA', ifCan(scan.meanA)),
        figure('duty', 'Each is on for', 'fraction', scan.litOfTurn / scan.layout.turns),
        figure('picturesPerS', 'Pictures a second', 'frequencyHz', scan.picturesPerS),
        figure('ofChip', 'Of the controller’s time', 'fraction', scan.ofChip),
        figure('acrossOffV', 'Across a light beside the lit one', 'voltageV', scan.acrossOffV),
        figure('glowA', '… which carries', 'currentA', scan.glowA),
        figure(
          'forwardV',
          'Drop of a light there',
          'voltageV',
          ifCan(forwardVoltageV(driven.loop.curve, corners.currentA)),
        ),
      ],
      steps: [fillSum(meanOfScan, { Ip: corners.currentA, r: scan.layout.turns, s: scan.litOfTurn })],
      findings: found,
    };
  },
  intoDesign: (design, asked, newId): Design => {
    const { widthMm, heightMm } = design.view;
    const laid = layShared(asked, 'Lights between pins', { widthMm, heightMm, newId });
    return putPiece(design, [laid.lights, laid.board, laid.source], [laid.part]);
  },
});
