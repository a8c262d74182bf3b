import type { School } from './schools.ts';

/** Where makers differ about packs, what guards and charges them, sensors and programs. */
export const powerSchools: readonly School[] = [
  {
    question: 'Run time by sum, or by running it down?',
    ways: [
      { way: 'by sum', when: 'before anything is bought: an upper bound unless the course of the evening is played' },
      { way: 'by running it down', when: 'the truth for that colour, level and temperature' },
    ],
    here: 'Both: the evening is played on the cell’s curve and told with its doubt; one or two run tests in the Logbook teach it the capacity.',
  },
  {
    question: 'Which cells?',
    ways: [
      { way: 'a small block and a linear regulator', when: 'tiny loads and short shows' },
      { way: 'one lithium cell straight', when: 'pixels that bear 3.0 to 4.2 V; blue and white fade first' },
      { way: 'a cell and a converter', when: 'colours are to stay; it ends at once' },
      { way: 'several cells in series', when: 'long tape' },
      { way: 'lead-acid', when: 'heavy standing pieces, never run deep' },
      { way: 'coin cells', when: 'votive lights, behind a lid that needs a tool' },
      { way: 'a power bank', when: 'it does not switch itself off at so little' },
    ],
    here: 'Any of them: hours, weight, energy, how each ends and what it is like to wait are told for the same evening; a bank that would fall asleep is named.',
  },
  {
    question: 'One supply, or several?',
    ways: [
      { way: 'one', when: 'one switch and one charger; what starts hard may pull the rest down' },
      { way: 'several', when: 'motors and sound stay apart; more to charge, and they end at different times' },
    ],
    here: 'Either: every supply has a tree of its own, minus is joined where a signal crosses, and what would push into another is named in every state of the switches.',
  },
  {
    question: 'A protection board, or a bare pack?',
    ways: [
      { way: 'a board that trips above what the piece asks', when: 'best; some stay off until a charger is joined' },
      { way: 'bare', when: 'only with a fuse and something that acts when it is low; a lamp alone is not enough' },
    ],
    here: 'A lithium pack that nothing cuts off is stopped for; a cue to another mood when it is low counts, a sign alone does not; a board that suits is one click.',
  },
  {
    question: 'Charged in place, or taken out?',
    ways: [
      { way: 'taken out or exchanged', when: 'always sound' },
      { way: 'in place', when: 'all that draws is cut off by the wiring, or the charger has a way past the pack' },
      { way: 'fed from outside', when: 'the pack is out first, or a changeover keeps the two apart' },
    ],
    here: 'Taken out, unless you say otherwise: then it is walked on the nets, in every state, whether the charger is alone with its pack.',
  },
  {
    question: 'Dark or light: by parts, or by the program?',
    ways: [
      { way: 'a divider and a gate', when: 'no program, microamperes all day; soft, drifts, no gap' },
      {
        way: 'read by the program',
        when: 'several levels, a gap, set from your readings; the controller draws all day',
      },
    ],
    here: 'Both are kinds of the plan, with what each draws all day and where it switches; several levels may read one sensor.',
  },
  {
    question: 'A ready-made program, or your own?',
    ways: [
      { way: 'ready-made', when: 'standard moods, or a box with a remote of its own' },
      { way: 'your own', when: 'states and cues that nobody sells' },
    ],
    here: 'The program of the plan is written out whole, and so are pins, counts and limits for a program of your own; a ready-made box is a kind of the plan.',
  },
];
