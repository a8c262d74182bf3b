import {
  acceptanceDeg,
  acceptedShare,
  arcMinuteDistanceM,
  balanceOf,
  bundleDiameterMm,
  CLEARANCE_A_SIDE_MM,
  chordBend,
  chordOfRing,
  cutFromStock,
  cutTape,
  depthOverPitchFor,
  diffusers,
  dotsVanishFromM,
  endShare,
  equalLook,
  fadeSteps,
  fibreBundle,
  finishedDiameter,
  firstHarmonic,
  fitBox,
  gapToCover,
  interleave,
  layersForRatio,
  lightDose,
  longestTapeMm,
  markRing,
  perceivedShare,
  profileOf,
  ringRoom,
  rippleOf,
  secondsToDose,
  skinStretch,
  tapeCurrent,
  tapeLights,
  throughLayers,
  trimMassG,
  turningForce,
  upToDrillMm,
} from '../lights/index.ts';
import { printQuantity, printSum } from '../units/index.ts';
import { SumError } from './answer.ts';
import {
  ask,
  assume,
  choice,
  defineSum,
  figure,
  finding,
  findingsWhere,
  list,
  mainFigure,
  optional,
  pairs,
  type QuickSum,
  text,
} from './sum.ts';

const tapeCount = defineSum({
  name: 'tape-count',
  title: 'Lights on a route',
  about: 'How many lights of a tape go on a route, and what gap is left.',
  group: 'lights',
  inputs: {
    routeMm: ask('lengthMm', 'route', 'Length of the route', 583, { most: 100_000, usual: [20, 6000] }),
    perMetre: ask('perMetre', 'density', 'Lights a metre', 74, { least: 1, most: 1000, usual: [14, 400] }),
    lightsPerJoint: assume('count', 'joint', 'Lights from cut mark to cut mark', 1, { least: 1, most: 48 }),
  },
  reckon: ({ routeMm, perMetre, lightsPerJoint }) => {
    const cut = cutTape({ routeMm, perMetre, lightsPerJoint });
    return {
      results: [
        mainFigure('lights', 'Lights', 'count', cut.lights),
        figure('litLengthMm', 'Lit length', 'lengthMm', cut.litLengthMm),
        figure('gapMm', 'Gap left at the end', 'lengthMm', cut.gapMm),
        figure('jointPitchMm', 'From cut mark to cut mark', 'lengthMm', (1000 * lightsPerJoint) / perMetre),
        figure('shorterLights', 'One cut shorter', 'count', cut.shorter.lights),
        figure('shorterLengthMm', '… with a length of', 'lengthMm', cut.shorter.lengthMm),
        figure('longerLights', 'One cut longer', 'count', cut.longer.lights),
        figure('longerOverMm', '… too long by', 'lengthMm', cut.longer.overMm),
      ],
      steps: [printSum(tapeLights, { L: routeMm, d: perMetre, j: lightsPerJoint })],
      findings: findingsWhere([
        cut.lights === 0,
        finding(
          'no-light',
          'stop',
          'Not one joint fits the route',
          'Tape is cut only at its marks.',
          'Take a denser tape or a longer route.',
        ),
      ]),
    };
  },
  intoDesign: (design, { routeMm, perMetre }, newId) => {
    const centre = { x: design.view.widthMm / 2, y: design.view.heightMm / 2 };
    const half = Math.min(routeMm, design.view.widthMm * 0.8) / 2;
    const known = [30, 60, 74, 100, 144, 200];
    const nearest = known.reduce((best, each) => (Math.abs(each - perMetre) < Math.abs(best - perMetre) ? each : best));
    return {
      ...design,
      tapes: [
        ...design.tapes,
        {
          id: newId(),
          name: `Tape ${design.tapes.length + 1}`,
          part: `pixel-tape-${nearest}`,
          route: [
            { xMm: centre.x - half, yMm: centre.y },
            { xMm: centre.x + half, yMm: centre.y },
          ],
          lengthMm: routeMm,
          reversed: false,
          after: null,
          channelId: null,
          dieCurrentA: null,
        },
      ],
    };
  },
});

const tapeCut = defineSum({
  name: 'tape-cut',
  title: 'Cutting a list of lengths',
  about:
    'Cuts all lengths from the reels in hand with the least stock used; tape only at its marks, wire and tube with a loss a cut.',
  group: 'lights',
  inputs: {
    lengths: pairs({
      word: 'lengths',
      label: 'Lengths wanted',
      hint: 'count x length, with commas',
      names: ['count', 'lengthMm'],
      kinds: ['count', 'lengthMm'],
      bands: [
        { least: 1, most: 500 },
        { least: 1, most: 100_000 },
      ],
      initial: [
        [3, 620],
        [4, 410],
        [5, 260],
      ],
    }),
    stock: pairs({
      word: 'stock',
      label: 'Stock in hand',
      hint: 'count x length; count 0 = as many as needed',
      names: ['count', 'lengthMm'],
      kinds: ['count', 'lengthMm'],
      bands: [
        { least: 0, most: 1000 },
        { least: 1, most: 1_000_000 },
      ],
      initial: [[0, 1000]],
    }),
    kerfMm: assume('lengthMm', 'kerf', 'Lost at each cut', 0, { least: 0, most: 50 }),
    perMetre: optional('perMetre', 'density', 'Lights a metre, for tape'),
    lightsPerJoint: assume('count', 'joint', 'Lights from cut mark to cut mark', 1, { least: 1, most: 48 }),
    cores: assume('count', 'cores', 'Cores of each jumper', 3, { least: 0, most: 8 }),
  },
  reckon: ({ lengths, stock, kerfMm, perMetre, lightsPerJoint, cores }) => {
    const total = lengths.reduce((sum, [count]) => sum + count, 0);
    if (total > 60) throw new SumError(`${total} lengths are more than can be proven at once; give at most 60`);
    if (stock.length === 0) throw new SumError('Give the stock in hand, such as stock=0x5m');
    const cutTo = (lengthMm: number): number =>
      perMetre === null ? lengthMm : cutTape({ routeMm: lengthMm, perMetre, lightsPerJoint }).litLengthMm;
    const pieces = lengths.map(([count, lengthMm]) => ({ count, length: cutTo(lengthMm) }));
    const plan = cutFromStock({
      pieces,
      stock: stock.map(([count, length]) => ({ length, count: count === 0 ? null : count })),
      kerf: kerfMm,
    });
    const wantedMm = pieces.reduce((sum, piece) => sum + piece.count * piece.length, 0);
    const longest = Math.max(...stock.map(([, length]) => length));
    const joints = perMetre === null ? 0 : Math.max(0, total - 1) * cores * 2;
    return {
      results: [
        mainFigure('stockPieces', 'Stock lengths cut', 'count', plan.cuts.length),
        figure('stockUsedMm', 'Stock used', 'lengthMm', plan.stockUsed),
        figure('wasteMm', 'Left over and lost', 'lengthMm', plan.stockUsed - wantedMm),
        figure('bySumOnly', 'Stock lengths, if lengths just added up', 'count', Math.ceil(wantedMm / longest - 1e-9)),
        figure('solderJoints', 'Joints of the jumpers between them', 'count', joints),
        text('proven', 'No plan can use less', plan.proven && plan.short.length === 0),
        {
          form: 'table',
          key: 'cuts',
          label: 'The cuts',
          columns: [
            { key: 'stockMm', label: 'from', kind: 'lengthMm' },
            { key: 'pieces', label: 'pieces, mm', kind: 'text' },
            { key: 'offcutMm', label: 'left', kind: 'lengthMm' },
          ],
          rows: plan.cuts.map((cut) => [
            cut.stockLength,
            cut.pieces.map((piece) => Number(piece.toFixed(1))).join(' + '),
            cut.offcut,
          ]),
        },
      ],
      steps: [],
      findings: findingsWhere([
        plan.short.length > 0,
        finding(
          'stock-short',
          'stop',
          `The stock is short by ${plan.short.map((length) => printQuantity('lengthMm', length)).join(', ')}`,
          'No length in hand is long enough for what is left.',
          'Buy more, or join two with a jumper at a mark.',
        ),
      ]),
      drawing: {
        kind: 'bars',
        unit: 'lengthMm',
        bars: plan.cuts.map((cut) => ({ length: cut.stockLength, pieces: cut.pieces, offcut: cut.offcut })),
      },
    };
  },
});

const plainTape = defineSum({
  name: 'plain-tape',
  title: 'Plain tape on a supply',
  about: 'What a plain tape draws, in white and in one colour, and how much of it a supply feeds.',
  group: 'lights',
  inputs: {
    powerPerMetreW: ask('powerPerMetreW', 'power', 'Power of a metre', 9.6, { most: 60, usual: [2, 25] }),
    lengthMm: ask('lengthMm', 'length', 'Length', 2400, { most: 100_000, usual: [50, 10_000] }),
    voltageV: assume('voltageV', 'volts', 'Voltage', 12, { least: 3, most: 48 }),
    supplyA: ask('currentA', 'supply', 'What the supply gives', 1.5, { most: 50, usual: [0.1, 20] }),
    colours: assume('count', 'colours', 'Colours', 3, { least: 1, most: 5 }),
  },
  reckon: ({ powerPerMetreW, lengthMm, voltageV, supplyA, colours }) => {
    const whiteA = tapeCurrent.reckon({ P: powerPerMetreW, L: lengthMm, U: voltageV });
    const longestMm = longestTapeMm(supplyA, voltageV, powerPerMetreW);
    return {
      results: [
        mainFigure('whiteA', 'Draws, all colours lit', 'currentA', whiteA),
        figure('oneColourA', 'Draws in one colour', 'currentA', whiteA / colours),
        figure('longestMm', 'Longest that the supply feeds in white', 'lengthMm', longestMm),
        figure('brightnessInWhite', 'Brightness that it feeds in white', 'fraction', Math.min(1, supplyA / whiteA)),
      ],
      steps: [printSum(tapeCurrent, { P: powerPerMetreW, L: lengthMm, U: voltageV })],
      findings: findingsWhere(
        [
          whiteA > supplyA,
          finding(
            'supply-short',
            'stop',
            `White asks ${printQuantity('currentA', whiteA)} of a supply of ${printQuantity('currentA', supplyA)}`,
            'It sags, hiccups or trips.',
            'A shorter tape, a larger supply, less brightness, or never all colours at once.',
          ),
        ],
        [
          colours > 1,
          finding(
            'common-plus',
            'mind',
            'The common core is plus, not minus',
            'On tapes of several colours the fourth core usually carries the supply; each colour is switched to minus.',
            'Measure before you join it; join the minus of every supply that shares a signal.',
          ),
        ],
      ),
    };
  },
});

const equalLookSum = defineSum({
  name: 'equal-look',
  title: 'Unlike colours, alike in look',
  about:
    'How far each colour has to be dimmed so that all look equally bright, and what a cut in current costs the eye.',
  group: 'lights',
  inputs: {
    intensities: list('intensityMcd', 'intensities', 'Intensity of each at full', [900, 4000, 1100], { least: 0.01 }),
    currentA: assume('currentA', 'current', 'Current of each at full', 0.02, { most: 5, usual: [0.0005, 1] }),
    cap: assume('fraction', 'cap', 'Brightness cap', 0.4, { least: 0.01, most: 1 }),
    bits: assume('count', 'bits', 'Bits of the dimming', 8, { least: 4, most: 16 }),
  },
  reckon: ({ intensities, currentA, cap, bits }) => {
    if (intensities.length === 0) throw new SumError('Give at least one intensity');
    const levels = equalLook(intensities);
    const capFirst = fadeSteps({ gamma: 2.2, cap, bits, capFirst: true });
    const capLast = fadeSteps({ gamma: 2.2, cap, bits, capFirst: false });
    return {
      results: [
        {
          form: 'table',
          key: 'levels',
          label: 'Each light',
          columns: [
            { key: 'intensityMcd', label: 'at full', kind: 'intensityMcd' },
            { key: 'level', label: 'level', kind: 'fraction' },
            { key: 'currentA', label: 'mean current', kind: 'currentA' },
            { key: 'level8', label: 'of 255', kind: 'count' },
          ],
          rows: levels.map((level, i) => [intensities[i] ?? 0, level, level * currentA, Math.round(level * 255)]),
        },
        mainFigure(
          'look',
          `How bright ${printQuantity('fraction', cap)} of the light looks`,
          'fraction',
          perceivedShare.reckon({ x: cap }),
        ),
        figure('stepsCapFirst', 'Steps of a fade, cap before gamma', 'count', capFirst.steps),
        figure('stepsCapLast', 'Steps of a fade, cap after gamma', 'count', capLast.steps),
      ],
      steps: [printSum(perceivedShare, { x: cap })],
      findings: findingsWhere([
        capFirst.steps < 60,
        finding(
          'coarse-fade',
          'mind',
          `Capped before the gamma only ${capFirst.steps} steps of a fade are left`,
          'The low end of the fade jumps, where the eye sees it best.',
          'Cap after the gamma, or dim with more bits.',
        ),
      ]),
    };
  },
});

const diffuser = defineSum({
  name: 'diffuser',
  title: 'Evenness behind a diffuser',
  about: 'Whether the dots of a row show through, near and from the audience, and what depth makes them even.',
  group: 'lights',
  inputs: {
    perMetre: ask('perMetre', 'density', 'Lights a metre', 74, { least: 1, most: 1000, usual: [14, 400] }),
    depthMm: ask('lengthMm', 'depth', 'Depth from light to diffuser', 11, { most: 500, usual: [1, 100] }),
    wish: assume('fraction', 'wish', 'Ripple that is even enough', 0.08, { least: 0.001, most: 0.9 }),
    distanceMm: assume('lengthMm', 'distance', 'Distance of the audience', 5000, { least: 50, most: 1e6 }),
    diffuser: choice('diffuser', 'Diffuser', Object.keys(diffusers), 'baking parchment'),
  },
  reckon: ({ perMetre, depthMm, wish, distanceMm, diffuser: kind }) => {
    const pitchMm = 1000 / perMetre;
    const ripple = rippleOf(depthMm, pitchMm);
    const ratio = depthOverPitchFor(wish);
    const [low, high] = diffusers[kind] ?? [1, 1];
    const vanishM = dotsVanishFromM(ripple, pitchMm);
    return {
      results: [
        mainFigure('ripple', 'Ripple', 'fraction', ripple),
        figure('pitchMm', 'Pitch', 'lengthMm', pitchMm),
        figure('depthOverPitch', 'Depth over pitch', 'count', depthMm / pitchMm),
        figure('depthForWishMm', `Depth for ${printQuantity('fraction', wish)}`, 'lengthMm', ratio * pitchMm),
        figure('perMetreForWish', 'Lights a metre for it at this depth', 'perMetre', (1000 * ratio) / depthMm),
        figure('endShare', 'Brightness over the end light', 'fraction', endShare(depthMm, pitchMm)),
        figure('vanishFromMm', 'Dots are not seen from', 'lengthMm', vanishM * 1000),
        figure('arcMinuteMm', 'Pitch is one arc-minute at', 'lengthMm', arcMinuteDistanceM(pitchMm) * 1000),
        figure('transmissionLeast', 'Light let through, least', 'fraction', low),
        figure('transmissionMost', 'Light let through, most', 'fraction', high),
        figure('currentFactor', 'Current for the same look as bare', 'count', 2 / (low + high)),
      ],
      steps: [printSum(firstHarmonic, { h: depthMm, p: pitchMm })],
      findings: findingsWhere(
        [
          ripple > wish,
          finding(
            'dots-show',
            'mend',
            `The dots show near by: ripple ${printQuantity('fraction', ripple)}, wished ${printQuantity('fraction', wish)}`,
            'Evenness follows depth over pitch, not the number of lights.',
            `Give it ${printQuantity('lengthMm', ratio * pitchMm)} of depth or ${printQuantity('perMetre', Math.ceil((1000 * ratio) / depthMm))}.`,
          ),
        ],
        [
          ripple > wish && vanishM * 1000 < distanceMm,
          finding(
            'even-from-afar',
            'mind',
            `From ${printQuantity('lengthMm', distanceMm)} it looks even all the same`,
            'The eye can’t tell such fine and weak dots from there (reckoned for a dim room).',
            'Decide by who looks from where.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'along the row', kind: 'lengthMm' },
        y: { label: 'brightness', kind: 'fraction' },
        lines: [
          {
            name: 'on the diffuser',
            role: 'curve',
            points: profileOf({ depthMm, pitchMm, lights: 8, points: 240 }).map(
              ({ xMm, share }) => [xMm, share] as const,
            ),
          },
        ],
        marks: [],
      },
    };
  },
});

const ringMarks = defineSum({
  name: 'ring-marks',
  title: 'Marks on a ring',
  about: 'Angles, divider setting and coordinates for lights on a circle, each from one datum.',
  group: 'lights',
  inputs: {
    radiusMm: ask('lengthMm', 'radius', 'Radius of the ring of centres', 62, { most: 50_000, usual: [3, 2000] }),
    count: ask('count', 'count', 'Lights', 27, { least: 2, most: 720 }),
    startDeg: assume('angleDeg', 'start', 'Angle of the first mark', 90, { least: -360, most: 360 }),
    way: choice('way', 'Numbered', ['clockwise', 'against the clock'], 'clockwise'),
    side: choice('side', 'Seen from', ['front', 'back'], 'front'),
    spacingMm: optional('lengthMm', 'spacing', 'Least distance of two centres'),
    channels: optional('count', 'channels', 'Interleaved channels', { least: 1, most: 24 }),
    skinRadiusMm: optional('lengthMm', 'skin', 'Radius of a curved skin'),
  },
  reckon: ({ radiusMm, count, startDeg, way, side, spacingMm, channels, skinRadiusMm }) => {
    const marks = markRing({ radiusMm, count, startDeg, clockwise: way === 'clockwise', back: side === 'back' });
    const chordMm = chordOfRing.reckon({ r: radiusMm, N: count });
    const room = spacingMm === null ? null : ringRoom.reckon({ r: radiusMm, s: spacingMm });
    const woven = channels === null ? null : interleave(count, channels, null);
    return {
      results: [
        mainFigure('chordMm', 'Divider setting', 'lengthMm', chordMm),
        figure('stepDeg', 'Angle from mark to mark', 'angleDeg', 360 / count),
        figure('arcMm', 'Arc from mark to mark', 'lengthMm', (2 * Math.PI * radiusMm) / count),
        figure('circumferenceMm', 'All the way round', 'lengthMm', 2 * Math.PI * radiusMm),
        figure('driftMm', 'A divider 0.1 mm wide is off at the end by', 'lengthMm', 0.1 * count),
        ...(room === null ? [] : [figure('room', 'Lights that it has room for', 'count', room)]),
        ...(skinRadiusMm === null
          ? []
          : [figure('skinStretch', 'Pitch on the curved skin, times', 'count', skinStretch(chordMm, skinRadiusMm))]),
        ...(woven
          ? [
              text(
                'seam',
                'Seam of the channels',
                woven.missingAtSeam.length === 0
                  ? 'none'
                  : `channel ${woven.missingAtSeam.join(', ')} missing before light 1`,
              ),
            ]
          : []),
        {
          form: 'table',
          key: 'marks',
          label: 'Marks, from the centre',
          columns: [
            { key: 'number', label: 'no', kind: 'count' },
            { key: 'angleDeg', label: 'angle', kind: 'angleDeg' },
            { key: 'xMm', label: 'x', kind: 'lengthMm' },
            { key: 'yMm', label: 'y', kind: 'lengthMm' },
          ],
          rows: marks.map((mark) => [mark.number, mark.angleDeg, mark.xMm, mark.yMm]),
        },
      ],
      steps: [
        printSum(chordOfRing, { r: radiusMm, N: count }),
        ...(spacingMm === null ? [] : [printSum(ringRoom, { r: radiusMm, s: spacingMm })]),
      ],
      findings: findingsWhere(
        [
          room !== null && room < count,
          finding(
            'ring-full',
            'stop',
            `The ring has room for ${room} lights, not ${count}`,
            'Centres would lie closer than the lights are wide.',
            'A larger ring, smaller lights or fewer of them.',
          ),
        ],
        [
          (woven?.missingAtSeam.length ?? 0) > 0,
          finding(
            'seam',
            'mend',
            `${count} is no multiple of ${channels}: the run stumbles once a turn`,
            'Between the last light and the first channels are left out.',
            'Another number of lights or channels.',
          ),
        ],
      ),
      drawing: { kind: 'ring', radiusMm, marks },
    };
  },
  intoDesign: (design, values, newId) => {
    const { radiusMm, count, startDeg, way, channels } = values;
    const marks = markRing({ radiusMm, count, startDeg, clockwise: way === 'clockwise', back: false });
    return {
      ...design,
      leds: [
        ...design.leds,
        {
          id: newId(),
          name: `Ring ${design.leds.length + 1}`,
          part: 'led-3mm-amber',
          channels: Math.min(12, channels ?? 1),
          wantedCurrentA: 0.01,
          forwardV: null,
          resistorOhm: null,
          resistorRatedW: 0.25,
          sleeved: true,
          drivenBy: 'auto',
          places: marks.map((mark) => ({
            id: newId(),
            // The picture counts downwards.
            at: { xMm: design.view.widthMm / 2 + mark.xMm, yMm: design.view.heightMm / 2 - mark.yMm },
            hollowId: null,
          })),
        },
      ],
    };
  },
});

const fit = defineSum({
  name: 'fit',
  title: 'Will it go in?',
  about: 'A light with its sleeve and wires into a bore, or a box into a box, any square turn.',
  group: 'lights',
  inputs: {
    shape: choice('shape', 'Hollow', ['bore', 'box', 'channel'], 'bore'),
    part: list('lengthMm', 'part', 'Sizes of the part', [3.4], { least: 0.01, most: 5000 }),
    hollow: list('lengthMm', 'hollow', 'Sizes of the hollow', [4.7], { least: 0.01, most: 5000 }),
    sleeveMm: assume('lengthMm', 'sleeve', 'Wall of the shrunk sleeve', 0, { least: 0, most: 5 }),
    wires: assume('count', 'wires', 'Wires through it', 2, { least: 0, most: 500 }),
    wireMm: assume('lengthMm', 'wire', 'Diameter of one wire', 1.1, { least: 0.02, most: 20 }),
    clearanceMm: assume('lengthMm', 'clearance', 'Clearance a side', CLEARANCE_A_SIDE_MM, { least: 0, most: 10 }),
    chordMm: optional('lengthMm', 'chord', 'Chord of a tape laid round a curve'),
  },
  reckon: ({ shape, part, hollow, sleeveMm, wires, wireMm, clearanceMm, chordMm }) => {
    const [p1 = 0, p2 = 0, p3 = 0] = part;
    const [h1 = 0, h2 = 0, h3 = 0] = hollow;
    if (shape === 'box') {
      if (part.length !== 3 || hollow.length !== 3)
        throw new SumError('A box has three sizes: part=34,62,6 hollow=70,40,20');
      const found = fitBox([p1, p2, p3], [h1, h2, h3]);
      const easy = found.tightestMm >= 2 * clearanceMm;
      return {
        results: [
          text('verdict', 'It', easy ? 'fits' : found.fits ? 'fits if eased' : 'does not fit'),
          mainFigure('tightestMm', 'Left on the tightest side', 'lengthMm', found.tightestMm),
          { form: 'figures', key: 'turnedMm', label: 'Turned so', kind: 'lengthMm', values: found.turned },
          {
            form: 'figures',
            key: 'clearanceMm',
            label: 'Left along each side',
            kind: 'lengthMm',
            values: found.clearanceMm,
          },
        ],
        steps: [],
        findings: findingsWhere([
          !found.fits,
          finding(
            'no-fit',
            'stop',
            'It does not fit in any square turn',
            'The tightest side decides.',
            'A larger hollow or a smaller part; remember plugs and wire bends.',
          ),
        ]),
      };
    }
    if (shape === 'channel') {
      if (part.length < 1 || hollow.length < 1) throw new SumError('Give the widths: part=12 hollow=12.8');
      const playMm = h1 - p1;
      const radius = chordMm === null || playMm <= 0 ? null : chordBend.reckon({ L: chordMm, s: playMm });
      return {
        results: [
          text('verdict', 'It', playMm >= 2 * clearanceMm ? 'fits' : playMm >= 0 ? 'fits if eased' : 'does not fit'),
          mainFigure('playMm', 'Play across', 'lengthMm', playMm),
          ...(hollow.length > 1 && part.length > 1 ? [figure('aboveMm', 'Left above', 'lengthMm', h2 - p2)] : []),
          figure('leastRadiusMm', 'Least radius in its own plane', 'lengthMm', radius),
        ],
        steps: radius === null || chordMm === null ? [] : [printSum(chordBend, { L: chordMm, s: playMm })],
        findings: findingsWhere([
          playMm < 0,
          finding(
            'no-fit',
            'stop',
            'The tape is wider than its channel',
            'It can’t be pressed narrower.',
            'A wider channel, or a narrower tape; a wider channel makes the wall thinner.',
          ),
        ]),
      };
    }
    const finishedMm = finishedDiameter.reckon({ d: p1, w: sleeveMm });
    const wiresMm = bundleDiameterMm(wires, wireMm);
    const widest = Math.max(finishedMm, wiresMm);
    const leftMm = (h1 - widest) / 2;
    const isDeepEnough = hollow.length < 2 || part.length < 2 || h2 >= p2;
    return {
      results: [
        text(
          'verdict',
          'It',
          leftMm >= clearanceMm - 1e-9 && isDeepEnough ? 'fits' : leftMm >= 0 ? 'fits if eased' : 'does not fit',
        ),
        mainFigure('leastBoreMm', 'Least bore', 'lengthMm', upToDrillMm(widest + 2 * clearanceMm)),
        figure('finishedMm', 'Finished diameter', 'lengthMm', finishedMm),
        figure('wiresMm', 'Bundle of its wires', 'lengthMm', wiresMm),
        figure('clearanceMm', 'Left on each side', 'lengthMm', leftMm),
      ],
      steps: [printSum(finishedDiameter, { d: p1, w: sleeveMm })],
      findings: findingsWhere(
        [
          leftMm < 0,
          finding(
            'no-fit',
            'stop',
            `It does not go in: ${printQuantity('lengthMm', widest)} into ${printQuantity('lengthMm', h1)}`,
            'It passes with its sleeve and its wires on.',
            `Drill to ${printQuantity('lengthMm', upToDrillMm(widest + 2 * clearanceMm))}, or take a smaller part.`,
          ),
        ],
        [
          wiresMm > finishedMm,
          finding(
            'wires-widest',
            'mind',
            'The wires are wider than the light',
            'The tightest thing on the path decides, not the one at the seat.',
            'Thread the wires one after another, or take thinner ones.',
          ),
        ],
      ),
    };
  },
  intoDesign: (design, { shape, hollow }, newId) => {
    const [a = 5, b = 10, c = 10] = hollow;
    const common = {
      id: newId(),
      name: `Hollow ${design.hollows.length + 1}`,
      at: { xMm: design.view.widthMm / 2, yMm: design.view.heightMm / 2 },
    };
    return {
      ...design,
      hollows: [
        ...design.hollows,
        shape === 'bore'
          ? { ...common, kind: 'bore', diameterMm: a, depthMm: b }
          : shape === 'channel'
            ? { ...common, kind: 'channel', widthMm: a, depthMm: b }
            : { ...common, kind: 'box', widthMm: a, heightMm: b, depthMm: c },
      ],
    };
  },
});

const balance = defineSum({
  name: 'balance',
  title: 'Mass and balance',
  about: 'Moments left and right of an axis, the mass that trims them, and the force of what turns unbalanced.',
  group: 'lights',
  inputs: {
    masses: pairs({
      word: 'masses',
      label: 'Masses and places',
      hint: 'mass : place from the axis, left less than 0',
      names: ['massG', 'atMm'],
      kinds: ['massG', 'lengthMm'],
      bands: [
        { least: 0, most: 1e5 },
        { least: -1e5, most: 1e5 },
      ],
      initial: [
        [12, -180],
        [10.8, 200],
      ],
    }),
    trimAtMm: optional('lengthMm', 'trim', 'Place for a trim mass', { least: -1e5, most: 1e5 }),
    speedRpm: assume('speedRpm', 'speed', 'Speed, if it turns', 0, { least: 0, most: 1e5 }),
  },
  reckon: ({ masses, trimAtMm, speedRpm }) => {
    const found = balanceOf(masses.map(([massG, atMm]) => ({ massG, atMm })));
    const trim = trimAtMm === null ? null : trimMassG(found, trimAtMm);
    const pull = { m: Math.abs(found.residualGmm), r: 1, n: speedRpm };
    return {
      results: [
        mainFigure('residualGmm', 'Out of balance, right side down', 'momentGmm', found.residualGmm),
        figure('leftGmm', 'Moment of the left', 'momentGmm', found.leftGmm),
        figure('rightGmm', 'Moment of the right', 'momentGmm', found.rightGmm),
        figure('totalG', 'Mass in all', 'massG', found.totalG),
        figure('centreMm', 'Centre of mass from the axis', 'lengthMm', found.centreMm),
        ...(trimAtMm === null ? [] : [figure('trimG', 'Trim mass there', 'massG', trim)]),
        figure('forceN', 'Force on the axle when it turns', 'forceN', turningForce.reckon(pull)),
      ],
      steps: speedRpm > 0 ? [printSum(turningForce, pull)] : [],
      findings: findingsWhere(
        [
          Math.abs(found.residualGmm) > 0.02 * Math.max(found.leftGmm, found.rightGmm),
          finding(
            'unbalanced',
            'mend',
            'The two sides are not equal in moment',
            'Equal mass is not equal moment: what lies farther out counts for more.',
            'Trim the light side, or move the heavy one in.',
          ),
        ],
        [
          trimAtMm !== null && trim === null,
          finding(
            'trim-wrong-side',
            'mend',
            'A mass there makes it worse',
            'It would lie on the heavy side.',
            'Choose a place on the other side of the axis.',
          ),
        ],
      ),
    };
  },
});

const bundle = defineSum({
  name: 'bundle',
  title: 'A bundle of fibres',
  about: 'Bore for a fibre bundle, and the gap in front of the light that lights all of it.',
  group: 'lights',
  inputs: {
    fibres: ask('count', 'fibres', 'Fibres', 90, { least: 1, most: 5000 }),
    fibreMm: ask('lengthMm', 'diameter', 'Diameter of one', 0.5, { least: 0.05, most: 10 }),
    fill: assume('fraction', 'fill', 'Share that fibres fill', 0.82, { least: 0.4, most: 0.907 }),
    dieMm: assume('lengthMm', 'die', 'Width of the light’s die', 2, { least: 0.1, most: 50 }),
    halfAngleDeg: assume('angleDeg', 'angle', 'Half angle of the light', 60, { least: 2, most: 85 }),
    aperture: assume('count', 'aperture', 'Numerical aperture of the fibre', 0.5, { least: 0.05, most: 1 }),
  },
  reckon: ({ fibres, fibreMm, fill, dieMm, halfAngleDeg, aperture }) => {
    const diameterMm = fibreBundle.reckon({ n: fibres, d: fibreMm, f: fill });
    return {
      results: [
        mainFigure('diameterMm', 'Diameter of the bundle', 'lengthMm', diameterMm),
        figure(
          'leastDiameterMm',
          'No packing is thinner than',
          'lengthMm',
          fibreBundle.reckon({ n: fibres, d: fibreMm, f: Math.PI / Math.sqrt(12) }),
        ),
        figure(
          'gapMm',
          'Least gap to the light',
          'lengthMm',
          gapToCover.reckon({ D: diameterMm, s: dieMm, a: halfAngleDeg }),
        ),
        figure('acceptanceDeg', 'A fibre takes light within, either way', 'angleDeg', acceptanceDeg(aperture)),
        figure('acceptedShare', 'Of a wide light it takes in', 'fraction', acceptedShare(aperture)),
      ],
      steps: [
        printSum(fibreBundle, { n: fibres, d: fibreMm, f: fill }),
        printSum(gapToCover, { D: diameterMm, s: dieMm, a: halfAngleDeg }),
      ],
      findings: findingsWhere([
        acceptanceDeg(aperture) < halfAngleDeg,
        finding(
          'rays-lost',
          'mind',
          'Rays outside the fibre’s cone are lost',
          'The light is wider than what the fibre takes in.',
          'A narrow light, or a lens; glue in the gap mixes the light and costs some.',
        ),
      ]),
    };
  },
});

const lightBleed = defineSum({
  name: 'light-bleed',
  title: 'Keeping light in',
  about: 'Layers of a material that hold the light back to a ratio.',
  group: 'lights',
  inputs: {
    transmission: ask('fraction', 'through', 'One layer lets through', 0.35, { least: 0.001, most: 0.99 }),
    ratio: ask('count', 'ratio', 'Inside against outside', 50, { least: 1.1, most: 1e6 }),
  },
  reckon: ({ transmission, ratio }) => {
    const layers = layersForRatio.reckon({ T: transmission, k: ratio });
    return {
      results: [
        mainFigure('layers', 'Layers', 'count', layers),
        figure('through', 'They let through', 'fraction', throughLayers(transmission, layers)),
        figure('throughOneLess', 'One less would let through', 'fraction', throughLayers(transmission, layers - 1)),
      ],
      steps: [printSum(layersForRatio, { T: transmission, k: ratio })],
      findings: [
        finding(
          'seams',
          'mind',
          'Seams and screw holes leak more than walls',
          'The sum is for whole layers.',
          'Look at it in a dark room before the last glue.',
        ),
      ],
    };
  },
});

const dose = defineSum({
  name: 'dose',
  title: 'Dose of invisible light',
  about: 'Dose on an area, and the seconds to a dose, for curing and charging glow paint.',
  group: 'lights',
  inputs: {
    powerW: ask('powerW', 'power', 'Radiant power that arrives', 0.012, { most: 100, usual: [0.0001, 5] }),
    areaCm2: ask('areaCm2', 'area', 'Area it falls on', 2.5, { least: 0.001, most: 1e5 }),
    timeS: assume('timeS', 'time', 'Time', 90, { least: 0, most: 1e6 }),
    wantedJPerCm2: assume('doseJPerCm2', 'wanted', 'Dose wanted', 1, { least: 0.0001, most: 1e4 }),
  },
  reckon: ({ powerW, areaCm2, timeS, wantedJPerCm2 }) => ({
    results: [
      mainFigure('doseJPerCm2', 'Dose', 'doseJPerCm2', lightDose.reckon({ P: powerW, A: areaCm2, t: timeS })),
      figure('timeForDoseS', 'Time for the dose wanted', 'timeS', secondsToDose(wantedJPerCm2, powerW, areaCm2)),
    ],
    steps: [printSum(lightDose, { P: powerW, A: areaCm2, t: timeS })],
    findings: [
      finding(
        'eyes',
        'mind',
        'Never look into it, and keep it off skin',
        'Ultraviolet and infrared harm the eye at levels that look dim or dark; it does not blink for what it does not see.',
        'Closed box, a visible light beside it as a sign, glasses made for the wavelength; look at it through a camera.',
      ),
      finding(
        'slower',
        'mind',
        'Half the power takes twice the time',
        'For a look, dimmer is nearly as good; for a dose it is in proportion.',
        'Resin in a hollow cures only where the light reaches.',
      ),
    ],
  }),
});

export const lightSums: readonly QuickSum[] = [
  tapeCount,
  tapeCut,
  plainTape,
  equalLookSum,
  diffuser,
  ringMarks,
  fit,
  balance,
  bundle,
  lightBleed,
  dose,
];
