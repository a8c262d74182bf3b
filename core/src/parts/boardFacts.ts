// Written by `npm run docs` from firmware/boards/BOARD/facts.json; change those, not this.
import type { BoardFacts } from './kinds.ts';

/** What every board is and can do, in the order in which they are offered. */
export const boardFacts: readonly BoardFacts[] = [
  {
    id: 'controller-small-5v',
    name: 'Small 5 V eight-bit controller, 5 pins',
    rank: 10,
    price: 3.2,
    sizeMm: [26, 18, 8],
    logicV: 5,
    regulator: null,
    supplyLeastV: 2.7,
    supplyMostV: 5.5,
    brownOutV: 2.7,
    drawA: {
      likely: 0.012,
      spread: 0.004,
    },
    pinLimitA: 0.02,
    chipLimitA: 0.06,
    pinOhm: 30,
    injectionLimitA: 0.001,
    clockMhz: 16.5,
    worthCycles: 1,
    memoryBytes: 512,
    stackBytes: 272,
    programBytes: 8192,
    loopTickMs: 16,
    converterBits: 10,
    converterReferenceV: null,
    converterReadingUs: 104,
    scan: {
      ticksPerS: 1031250,
      darkTicks: 40,
      shortTicks: 8,
      unitTicks: [1, 2],
      cyclesAnInterrupt: 240,
      rows: {
        turnBytes: 16,
        programBytes: 640,
      },
      losesDimming: ['5'],
    },
    code: 'eight5',
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'analog'],
      },
      {
        name: '4',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'analog', 'dimmed'],
      },
    ],
  },
  {
    id: 'controller-large-5v',
    name: 'Larger 5 V eight-bit controller, 18 pins',
    rank: 20,
    price: 7.5,
    sizeMm: [45, 18, 8],
    logicV: 5,
    regulator: null,
    supplyLeastV: 4.5,
    supplyMostV: 5.5,
    brownOutV: 4.3,
    drawA: {
      likely: 0.028,
      spread: 0.006,
    },
    pinLimitA: 0.02,
    chipLimitA: 0.2,
    pinOhm: 25,
    injectionLimitA: 0.001,
    clockMhz: 16,
    worthCycles: 1,
    memoryBytes: 2048,
    stackBytes: 336,
    programBytes: 32768,
    loopTickMs: 16,
    converterBits: 10,
    converterReferenceV: null,
    converterReadingUs: 104,
    byteGapUs: 2.6,
    scan: {
      ticksPerS: 2000000,
      darkTicks: 40,
      shortTicks: 40,
      cyclesAnInterrupt: 425,
      losesDimming: ['8', '9'],
    },
    serialBaud: 115200,
    code: 'eight16',
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data'],
      },
      {
        name: '4',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '6',
        can: ['out', 'in', 'data'],
      },
      {
        name: '7',
        can: ['out', 'in', 'data'],
      },
      {
        name: '8',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '9',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '10',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '11',
        can: ['out', 'in', 'data'],
      },
      {
        name: '12',
        can: ['out', 'in', 'data'],
        startUp: 'blinks the board light while it starts',
      },
      {
        name: '13',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '14',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '15',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '16',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '17',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '18',
        can: ['out', 'in', 'analog'],
      },
    ],
  },
  {
    id: 'controller-radio-3v3',
    name: '3.3 V radio controller, 16 pins',
    rank: 30,
    price: 8.9,
    sizeMm: [52, 28, 9],
    logicV: 3.3,
    regulator: {
      dropOutV: 0.3,
      lifts: false,
    },
    supplyLeastV: 3.6,
    supplyMostV: 5.5,
    brownOutV: 3.6,
    drawA: {
      likely: 0.12,
      spread: 0.03,
    },
    pinLimitA: 0.012,
    chipLimitA: 0.12,
    pinOhm: 30,
    injectionLimitA: 0.001,
    clockMhz: 240,
    worthCycles: 6,
    memoryBytes: 200000,
    stackBytes: 160,
    programBytes: 1200000,
    loopTickMs: 16,
    converterBits: 12,
    converterReferenceV: null,
    converterReadingUs: 104,
    code: null,
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed'],
        startUp: 'chooses the start-up mode: must be high while it starts',
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed'],
        startUp: 'must be low while a program is loaded',
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '4',
        can: ['out', 'in', 'data', 'dimmed'],
        startUp: 'moves while it starts',
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '6',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '7',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '8',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '9',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '10',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '11',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '12',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '13',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '14',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '15',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '16',
        can: ['in', 'analog'],
      },
    ],
  },
  {
    id: 'controller-tiny-3v',
    name: 'Tiny eight-bit controller, bare chip, 1.8 to 5.5 V, 5 pins',
    rank: 40,
    price: 0.9,
    sizeMm: [10, 8, 5],
    logicV: 3,
    regulator: null,
    supplyLeastV: 1.8,
    supplyMostV: 5.5,
    brownOutV: 1.8,
    drawA: {
      likely: 0.004,
      spread: 0.002,
    },
    pinLimitA: 0.015,
    chipLimitA: 0.06,
    pinOhm: 35,
    injectionLimitA: 0.001,
    clockMhz: 8,
    worthCycles: 1,
    memoryBytes: 512,
    stackBytes: 160,
    programBytes: 8192,
    loopTickMs: 16,
    converterBits: 10,
    converterReferenceV: null,
    converterReadingUs: 104,
    code: null,
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'analog'],
      },
      {
        name: '4',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'analog', 'dimmed'],
      },
    ],
  },
  {
    id: 'controller-sewable-3v3',
    name: 'Sewable 3.3 V controller, round, 7 pins',
    rank: 50,
    price: 11.5,
    sizeMm: [28, 28, 6],
    logicV: 3.3,
    regulator: {
      dropOutV: 0.2,
      lifts: false,
    },
    supplyLeastV: 3.5,
    supplyMostV: 6,
    brownOutV: 3.4,
    drawA: {
      likely: 0.015,
      spread: 0.005,
    },
    pinLimitA: 0.007,
    chipLimitA: 0.046,
    pinOhm: 40,
    injectionLimitA: 0.001,
    clockMhz: 48,
    worthCycles: 5,
    memoryBytes: 32768,
    stackBytes: 160,
    programBytes: 262144,
    loopTickMs: 16,
    converterBits: 12,
    converterReferenceV: null,
    converterReadingUs: 104,
    code: null,
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '4',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '6',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '7',
        can: ['out', 'in', 'data', 'dimmed'],
      },
    ],
  },
  {
    id: 'controller-dual-3v3',
    name: '3.3 V two-core controller, 26 pins',
    rank: 60,
    price: 5.5,
    sizeMm: [51, 21, 5],
    logicV: 3.3,
    regulator: {
      dropOutV: 0,
      lifts: true,
    },
    supplyLeastV: 1.8,
    supplyMostV: 5.5,
    brownOutV: 1.8,
    drawA: {
      likely: 0.03,
      spread: 0.01,
    },
    pinLimitA: 0.012,
    chipLimitA: 0.05,
    pinOhm: 35,
    injectionLimitA: 0.001,
    clockMhz: 125,
    worthCycles: 5,
    memoryBytes: 264000,
    stackBytes: 400,
    programBytes: 2000000,
    loopTickMs: 16,
    converterBits: 12,
    converterReferenceV: null,
    converterReadingUs: 104,
    scan: {
      ticksPerS: 1000000,
      darkTicks: 10,
      shortTicks: 8,
      cyclesAnInterrupt: 420,
      rows: {
        turnBytes: 76,
        programBytes: 1460,
      },
      losesDimming: [],
    },
    serialBaud: 115200,
    saysOn: '21',
    code: 'two26',
    make: 'arm',
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '4',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '6',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '7',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '8',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '9',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '10',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '11',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '12',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '13',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '14',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '15',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '16',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '17',
        can: ['out', 'in', 'data'],
      },
      {
        name: '18',
        can: ['out', 'in', 'data'],
      },
      {
        name: '19',
        can: ['out', 'in', 'data'],
      },
      {
        name: '20',
        can: ['out', 'in', 'data'],
      },
      {
        name: '21',
        can: ['out', 'in', 'data'],
      },
      {
        name: '22',
        can: ['out', 'in', 'data'],
      },
      {
        name: '23',
        can: ['out', 'in', 'data'],
      },
      {
        name: '24',
        can: ['out', 'in', 'data', 'analog'],
      },
      {
        name: '25',
        can: ['out', 'in', 'data', 'analog'],
      },
      {
        name: '26',
        can: ['out', 'in', 'data', 'analog'],
      },
    ],
  },
  {
    id: 'controller-radio-small-3v3',
    name: '3.3 V radio controller, small board, 11 pins',
    rank: 70,
    price: 6.2,
    sizeMm: [23, 18, 6],
    logicV: 3.3,
    regulator: {
      dropOutV: 0.3,
      lifts: false,
    },
    supplyLeastV: 3.6,
    supplyMostV: 5.5,
    brownOutV: 3.6,
    drawA: {
      likely: 0.09,
      spread: 0.03,
    },
    pinLimitA: 0.012,
    chipLimitA: 0.12,
    pinOhm: 30,
    injectionLimitA: 0.001,
    clockMhz: 160,
    worthCycles: 6,
    memoryBytes: 320000,
    stackBytes: 160,
    programBytes: 1200000,
    loopTickMs: 16,
    converterBits: 12,
    converterReferenceV: null,
    converterReadingUs: 104,
    code: null,
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
        startUp: 'must be high while it starts',
      },
      {
        name: '4',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'dimmed', 'analog'],
      },
      {
        name: '6',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '7',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '8',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '9',
        can: ['out', 'in', 'data', 'dimmed'],
        startUp: 'must be high while a program is loaded',
      },
      {
        name: '10',
        can: ['out', 'in', 'data', 'dimmed'],
        startUp: 'chooses the start-up mode',
      },
      {
        name: '11',
        can: ['out', 'in', 'data', 'dimmed'],
      },
    ],
  },
  {
    id: 'controller-huge-5v',
    name: 'Largest 5 V eight-bit controller, 54 pins',
    rank: 80,
    price: 14,
    sizeMm: [102, 54, 15],
    logicV: 5,
    regulator: null,
    supplyLeastV: 4.5,
    supplyMostV: 5.5,
    brownOutV: 4.3,
    drawA: {
      likely: 0.06,
      spread: 0.015,
    },
    pinLimitA: 0.02,
    chipLimitA: 0.2,
    pinOhm: 25,
    injectionLimitA: 0.001,
    clockMhz: 16,
    worthCycles: 1,
    memoryBytes: 8192,
    stackBytes: 160,
    programBytes: 262144,
    loopTickMs: 16,
    converterBits: 10,
    converterReferenceV: null,
    converterReadingUs: 104,
    code: null,
    pins: [
      {
        name: '1',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '2',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '3',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '4',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '5',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '6',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '7',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '8',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '9',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '10',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '11',
        can: ['out', 'in', 'data', 'dimmed'],
      },
      {
        name: '12',
        can: ['out', 'in', 'data', 'dimmed'],
        startUp: 'blinks the board light while it starts',
      },
      {
        name: '13',
        can: ['out', 'in', 'data'],
      },
      {
        name: '14',
        can: ['out', 'in', 'data'],
      },
      {
        name: '15',
        can: ['out', 'in', 'data'],
      },
      {
        name: '16',
        can: ['out', 'in', 'data'],
      },
      {
        name: '17',
        can: ['out', 'in', 'data'],
      },
      {
        name: '18',
        can: ['out', 'in', 'data'],
      },
      {
        name: '19',
        can: ['out', 'in', 'data'],
      },
      {
        name: '20',
        can: ['out', 'in', 'data'],
      },
      {
        name: '21',
        can: ['out', 'in', 'data'],
      },
      {
        name: '22',
        can: ['out', 'in', 'data'],
      },
      {
        name: '23',
        can: ['out', 'in', 'data'],
      },
      {
        name: '24',
        can: ['out', 'in', 'data'],
      },
      {
        name: '25',
        can: ['out', 'in', 'data'],
      },
      {
        name: '26',
        can: ['out', 'in', 'data'],
      },
      {
        name: '27',
        can: ['out', 'in', 'data'],
      },
      {
        name: '28',
        can: ['out', 'in', 'data'],
      },
      {
        name: '29',
        can: ['out', 'in', 'data'],
      },
      {
        name: '30',
        can: ['out', 'in', 'data'],
      },
      {
        name: '31',
        can: ['out', 'in', 'data'],
      },
      {
        name: '32',
        can: ['out', 'in', 'data'],
      },
      {
        name: '33',
        can: ['out', 'in', 'data'],
      },
      {
        name: '34',
        can: ['out', 'in', 'data'],
      },
      {
        name: '35',
        can: ['out', 'in', 'data'],
      },
      {
        name: '36',
        can: ['out', 'in', 'data'],
      },
      {
        name: '37',
        can: ['out', 'in', 'data'],
      },
      {
        name: '38',
        can: ['out', 'in', 'data'],
      },
      {
        name: '39',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '40',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '41',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '42',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '43',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '44',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '45',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '46',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '47',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '48',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '49',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '50',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '51',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '52',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '53',
        can: ['out', 'in', 'analog'],
      },
      {
        name: '54',
        can: ['out', 'in', 'analog'],
      },
    ],
  },
];
