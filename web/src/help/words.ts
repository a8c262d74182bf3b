/** Words that are not everybody’s, each in a sentence. */
export const glossary: readonly (readonly [word: string, meaning: string])[] = [
  ['American wire gauge', 'How thick a wire is, by a number: the higher, the thinner. Three steps halve its copper.'],
  ['Bore, channel, box', 'Hollows in the piece: for a light, for a tape, for a pack or a board.'],
  ['Ceiling', 'How bright a mood may be set before the weakest link gives way.'],
  ['Common plus, common minus', 'Which leg lights of several colours share.'],
  ['Converter', 'Makes one voltage out of another: lifts it, or lowers it.'],
  ['Cue', 'What leads from one mood to the next: a button, a time, the dark, an empty pack.'],
  ['Cut-off', 'The voltage at which a cell has to rest; below it it is harmed.'],
  ['Diffuser', 'What lies before the lights so that the eye sees a surface and no dots.'],
  ['Drop', 'Voltage that is lost on the way: in a wire, in a light, in a diode.'],
  ['Finished diameter', 'How wide a light is with its legs soldered and sleeved.'],
  ['Forward voltage', 'What a light takes for itself; the resistor takes the rest.'],
  ['Full on, half on', 'A transistor that is full on hardly loses anything; half on it is a heater.'],
  ['Gate', 'Where a transistor is told to conduct. Also: a light gate, which switches in the dark by itself.'],
  ['Ghost', 'A faint glow of a light that should be dark, by current that finds another way.'],
  ['Head-room', 'Voltage that is left for the resistor. With little of it, light hangs on the charge of the pack.'],
  ['Level shifter', 'Makes a 5 V signal out of a 3.3 V one, where pixels would not hear the lower one.'],
  ['Limiter', 'Part of the program that dims everything alike before the supply gives way.'],
  ['Loom', 'Wires that run together.'],
  ['Mark', 'A few letters on sheets and in the program: the same mark, the same plan.'],
  ['Mood', 'What all lights do for a while.'],
  ['Move', 'What one group of lights does in a mood: breathe, chase, flicker.'],
  ['Peak, usual', 'The most that is drawn for a moment, and what is drawn in the mean over the evening.'],
  ['Pixel', 'A light with a chip of its own, which is told its colour through one wire from light to light.'],
  ['Pull-down, pull-up', 'A resistor that holds a gate or a pin while nothing drives it.'],
  ['Rail', 'One voltage that things are fed from, plus and minus.'],
  ['Reservoir', 'A capacitor where a tape is fed: it gives what the wire can’t give fast enough.'],
  ['Reset', 'The controller starts anew since its voltage fell too low; the lights go dark, and it begins again.'],
  ['Ripple', 'How much brighter it is before a light than between two, seen on the diffuser.'],
  ['Scanned grid', 'Rows lit one after another, so fast that the eye sees them all: few pins for many lights.'],
  ['Set', 'Lights of one or more groups that move together.'],
  ['Settled', 'Visited, and nothing open: no finding to stop for or to mend.'],
  ['Sign', 'A move that lies over every mood for as long as something is so: the warning of an empty pack.'],
  ['Sleeve', 'Shrink tube over a joint.'],
  ['Stop, mend, know', 'What a finding asks: will harm or can’t work; will disappoint; good to know.'],
  ['Turns', 'Lights that are lit one after another, so that they share pins.'],
  ['Weakest link', 'The part between cell and light that is nearest to its limit.'],
  ['With caution', 'The hours that nineteen of twenty such pieces last, by how far parts and cells differ.'],
];

/** How a word stands in an address. */
export const addressOf = (word: string): string => word.toLowerCase().replace(/[^a-z]+/g, '-');

/** The words that are explained where they stand: those of them that are no everyday words, as they are written. */
const inText: Readonly<Record<string, string>> = {
  'forward voltage': 'Forward voltage',
  'head-room': 'Head-room',
  'cut-off': 'Cut-off',
  rail: 'Rail',
  reservoir: 'Reservoir',
  diffuser: 'Diffuser',
  limiter: 'Limiter',
  'level shifter': 'Level shifter',
  'weakest link': 'Weakest link',
  'finished diameter': 'Finished diameter',
  'pull-up': 'Pull-down, pull-up',
  'pull-down': 'Pull-down, pull-up',
  'scanned grid': 'Scanned grid',
  'full on': 'Full on, half on',
  'half on': 'Full on, half on',
  ripple: 'Ripple',
  loom: 'Loom',
  ghost: 'Ghost',
  gate: 'Gate',
  ceiling: 'Ceiling',
  cue: 'Cue',
  converter: 'Converter',
  gauge: 'American wire gauge',
  sleeve: 'Sleeve',
};

const pattern = new RegExp(`\\b(${Object.keys(inText).join('|')})s?\\b`, 'gi');

/** A piece of a text: with what it means where it is one of the words. */
export interface Worded {
  readonly text: string;
  readonly word: string | null;
  readonly meaning: string | null;
}

/** A text in pieces; each of the words is told of once, where it stands first. */
export function findWords(text: string): readonly Worded[] {
  const pieces: Worded[] = [];
  const told = new Set<string>();
  let last = 0;
  for (const { 0: found, 1: plain = '', index } of text.matchAll(pattern)) {
    const word = inText[plain.toLowerCase()];
    const meaning = glossary.find(([name]) => name === word)?.[1];
    if (!word || !meaning || told.has(word)) continue;
    told.add(word);
    if (index > last) pieces.push({ text: text.slice(last, index), word: null, meaning: null });
    pieces.push({ text: found, word, meaning });
    last = index + found.length;
  }
  if (last < text.length) pieces.push({ text: text.slice(last), word: null, meaning: null });
  return pieces;
}
