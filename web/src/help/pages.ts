import type { Stage } from '@glimmer/core/items';
import { amps, celsius, hours, type Message, milliampHours, mm, ohms, percent, say, volts } from '@glimmer/core/units';

/** What is explained of a stage. */
export interface HelpPage {
  /** What it is for. */
  readonly about: readonly Message[];
  /** What to do, in this order. */
  readonly steps: readonly Message[];
  /** One example with its figures, worked through. */
  readonly example: readonly Message[];
}

/** A page a stage, in the order of the work. */
export const helpPages: Readonly<Record<Stage, HelpPage>> = {
  piece: {
    about: [
      'Here you say what the piece is and what it has to stand: who carries it, in what weather, for how many hours, in how many copies. All that follows is judged by it.',
      'The picture is your piece in its true size: a drawn outline, a photo of yours, or a bare sheet. Hollows are the places in it that something has to go into.',
    ],
    steps: [
      'Choose an outline or bring in a picture, and give its true width: every length on it is then real.',
      'Say how many hours are wanted. The figure at the foot of the page tells whether the pack lasts so long.',
      'Measure each bore, channel and box, and drag it to its place.',
    ],
    example: [
      say`A light of 3 mm is ${mm(3.4)} wide at its flange. It wants ${mm(0.2)} of room on each side, so its bore is at least ${mm(3.4)} + 2 × ${mm(0.2)} = ${mm(3.8)}.`,
    ],
  },
  lights: {
    about: [
      'Here are the lights: tape with a chip in each light (pixels), plain tape, single lights, and fibres that lead light elsewhere.',
      'How many there are follows from where they lie; whether they go in follows from the hollows.',
    ],
    steps: [
      'Add a tape and click its way on the picture, beginning where the data comes in; or add single lights and click where each sits.',
      'Choose the kind. The list tries each kind in your plan: what suits stands first, and beside the others stands what is against them.',
      'Look at the count, at what is left over at the end, and at how far apart the dots are behind the diffuser.',
    ],
    example: [
      say`A way of ${mm(610)} with 60 lights a metre: 0.610 × 60 = 36.6, so 36 lights. They are ${mm(600)} long; ${mm(10)} are left.`,
    ],
  },
  moods: {
    about: [
      'A mood is what the lights do for a while: each group has a move, such as breathe, chase or flicker. A cue leads from one mood to another: a button, a time, the dark.',
      'What a mood draws is reckoned from its moves, so a bright one shortens the night and a dim one lengthens it.',
    ],
    steps: [
      'Choose a move for each group and watch it on the picture. L puts the lamp out, Space holds it.',
      'Set how bright the mood is. The mark on the scale is its ceiling: above it the piece would reset.',
      'Lay the evening out: which mood for how long, in which order.',
    ],
    example: [
      say`A blink that is on for half of its time, ${amps(0.4)} at its height: ${amps(0.2)} in the mean. The pack lasts by the mean; fuse and wire are chosen by the height.`,
    ],
  },
  drive: {
    about: [
      'Here is what switches the lights: a controller with its pins, transistors where a pin is too weak, resistors, sensors and buttons.',
      'Pins and values are reckoned. What you set yourself is marked as yours and stays.',
    ],
    steps: [
      'Add a controller. It shows which pin does what; another pin can be chosen beside each.',
      'See what the findings ask for: a resistor in the data line, a transistor, another supply.',
      'Take the program out: its folder has the code for this very plan, and how it comes on to the board.',
    ],
    example: [
      say`A light that drops ${volts(2)} on ${volts(5)}, at ${amps(0.01)}: (5 − 2) V ÷ 0.01 A = ${ohms(300)}. With the next value up, ${ohms(330)}, it draws 3 V ÷ 330 Ω = ${amps(3 / 330)}.`,
    ],
  },
  power: {
    about: [
      'Here is what feeds the piece, and whether it lasts. The chain shows every link from cell to light: as thick as what it can carry, filled by what it carries at the height of the evening.',
      'Two figures tell of the night: how long it likely runs, and how long with caution: nineteen of twenty last longer than that.',
    ],
    steps: [
      'Choose a pack out of the list: beside each stands how long the piece would run on it.',
      'Fit a fuse close to the pack. It must carry the height and still blow before the thinnest wire behind it gets hot.',
      'Put a converter between where the voltages do not suit, and a switch where a hand reaches it.',
    ],
    example: [
      say`The lights take ${amps(0.4)} at ${volts(5)} in the mean; the converter wastes a tenth. Out of a cell of ${volts(3.7)}: 5 × 0.4 ÷ 0.9 ÷ 3.7 = ${amps((5 * 0.4) / 0.9 / 3.7)}. A cell of ${milliampHours(3000)} gives that for about ${hours(3 / ((5 * 0.4) / 0.9 / 3.7))}.`,
    ],
  },
  wires: {
    about: [
      'Every wire with its colour, its length and its gauge, and what it is soldered to at both ends. A high gauge number is a thin wire.',
      'Gauges are chosen so that nothing gets hot, not even when a wire is pinched before the fuse blows, and so that little voltage is lost.',
    ],
    steps: [
      'Say which gauges are in your drawer: only those are chosen.',
      'Read each run: from where to where, which colour, how long to cut it.',
      'Take out the wire list and the marking template; print the template at full size and measure its rule.',
    ],
    example: [
      say`${amps(1)} through 600 mm of 28 gauge, out and back: 1 A × 1.2 m × 0.213 Ω/m = ${volts(0.256)}, five hundredths of 5 V. Through 24 gauge, with 0.0842 Ω/m, ${volts(0.101)}.`,
    ],
  },
  bench: {
    about: [
      'The build, step by step, in an order in which every fault is found before it does harm: parts before soldering, shorts before power, power before light.',
      'Where a meter is used, the step says where its two tips go and between which figures the reading must lie.',
    ],
    steps: [
      'Do one step, type in what the meter reads, and go on when it is right. A wrong reading says what it may mean.',
      'Before anything is glued or closed, what has not been tested yet is listed.',
      'Let a simulated controller run the program beside you, or read the real one on its cable.',
    ],
    example: [
      say`A resistor of ${ohms(150)}, five in a hundred either way, read with a meter that is good to one and a half: from ${ohms(140)} to ${ohms(160)}. ${ohms(15)} would be a stripe misread: red for black.`,
    ],
  },
  logbook: {
    about: [
      'What happened, and what was learned: run tests, versions of the plan, notes.',
      'A run test is what makes the figures yours: where the piece ran shorter or longer than was reckoned, the log says what that says of the pack.',
    ],
    steps: [
      'Charge the pack, run the evening until it stops by itself, and log the hours with how warm it was.',
      'Keep a version before a change; later the two stand side by side.',
    ],
    example: [
      say`Reckoned ${hours(25.8)} at ${celsius(12)}, ran ${hours(24)}: ${percent(24 / 25.8 - 1)}. If nothing else is off, the cell holds 600 mAh × 24 ÷ 25.8 = ${milliampHours(Math.round((600 * 24) / 25.8))}.`,
    ],
  },
};
