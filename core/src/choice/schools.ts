/** A question on which makers differ: each way with when it is sound, and what this program does. */
export interface School {
  readonly question: string;
  readonly ways: readonly { readonly way: string; readonly when: string }[];
  /** What is taken unless the maker says otherwise, and why. */
  readonly here: string;
}

/** Where makers differ about lights, their resistors and what spreads them. */
export const schools: readonly School[] = [
  {
    question: 'One resistor for all, or one each?',
    ways: [
      { way: 'each', when: 'always sound; it costs joints and room' },
      { way: 'shared', when: 'one batch, at most half the rating, all lit together, the loss of one tolerable' },
      { way: 'in the leg that dice share', when: 'only where one colour at a time is ever lit' },
    ],
    here: 'Each, unless you say how many share one: then the spread of the batch is reckoned, and what the rest take when one opens. Dice of one light have each their own; the sheet shows what one in the common leg would do.',
  },
  {
    question: 'No resistor at all?',
    ways: [
      {
        way: 'none',
        when: 'the highest voltage is below the drop at the allowed current, or the source itself limits',
      },
      { way: 'inside', when: 'ready-wired lights, tape and pixels have theirs' },
      { way: 'always', when: 'safe' },
    ],
    here: 'Always one, but before lights that have theirs inside: a second one there is named.',
  },
  {
    question: 'Where does the resistor sit?',
    ways: [
      { way: 'at the light', when: 'electrically the same in one path; nothing to keep apart' },
      { way: 'at the switch or board', when: 'no room at the light, or it gets warm beside plastic' },
      { way: 'at the source', when: 'a chafed lead could short past it' },
    ],
    here: 'At the light, and anywhere you say; what several leads begin at sits where they begin.',
  },
  {
    question: 'Round a resistor which way?',
    ways: [
      { way: 'up', when: 'the light keeps within its rating' },
      { way: 'down to what is in the drawer', when: 'the brightest corner stays within the rating' },
    ],
    here: 'Up, and on up while the brightest corner is over the rating. Your own value is taken as it stands and judged.',
  },
  {
    question: 'Is the rated current the aim?',
    ways: [
      { way: 'rated', when: 'a dose, daylight, a long throw' },
      { way: 'what looks right', when: 'most pieces: a few milliamperes are ample, and the eye hardly sees half' },
    ],
    here: 'Ten milliamperes to begin with; a dose is reckoned in proportion.',
  },
  {
    question: 'Series or parallel?',
    ways: [
      {
        way: 'series',
        when: 'a quarter or more of the voltage is left for the resistor, for the whole life of the pack',
      },
      { way: 'parallel, a resistor each', when: 'pieces on one cell, and where the brightness must hold' },
    ],
    here: 'Each by itself; “How many in a string?” shows currents from fresh to spent and the share that reaches the lights.',
  },
  {
    question: 'Straight from a pin, or through a switch?',
    ways: [
      { way: 'a pin', when: 'within the limits of pin and chip, with a drop below its voltage' },
      { way: 'a transistor', when: 'everything more' },
    ],
    here: 'A pin where it bears the brightest corner with head-room left, else a transistor.',
  },
  {
    question: 'Bipolar or field-effect?',
    ways: [
      { way: 'bipolar', when: 'a small load, or too little voltage for a gate' },
      { way: 'field-effect', when: 'a larger load, full on at the lowest supply, with a pull-down' },
    ],
    here: 'The smallest that is full on at the lowest supply and bears the brightest corner.',
  },
  {
    question: 'Pixels, plain tape, groups or a grid?',
    ways: [
      { way: 'pixels, or three groups and more', when: 'something moves' },
      { way: 'plain tape', when: 'the whole piece in one colour' },
      { way: 'a scanned grid', when: 'many points on a small supply' },
      { way: 'a power star', when: 'one strong beam' },
    ],
    here: '“What could light this?” leaves out what is impossible, with the reason, and ranks the rest.',
  },
  {
    question: 'Many single lights on few pins: how?',
    ways: [
      {
        way: 'rows and columns',
        when: 'nine lights and more; a transistor a row, each light lit one turn of as many as there are rows',
      },
      {
        way: 'between shared pins',
        when: 'up to twenty, without a transistor; each lit by itself, so the fainter the more there are',
      },
      { way: 'a scan driver', when: 'pins or time are short; it holds each current, and never stands still' },
    ],
    here: 'All three, with pins, currents, pictures a second and what would glow falsely; a mend where one of them does.',
  },
  {
    question: 'Spread the light how?',
    ways: [
      { way: 'depth and a sheet', when: 'there is room behind' },
      { way: 'dense tape', when: 'there is none; it costs current' },
      { way: 'bare', when: 'sharp points are wanted' },
    ],
    here: 'Bare, unless a diffuser is said: depth over pitch decides, and the ripple is told.',
  },
  {
    question: 'May light escape?',
    ways: [
      { way: 'wanted', when: 'a shell is to glow' },
      { way: 'unwanted', when: 'masks, and near the eyes' },
      { way: 'critical', when: 'a sensor sees it' },
    ],
    here: 'The same sum for all three; a sensor that sees the piece’s own light is named.',
  },
  {
    question: 'Common plus or common minus?',
    ways: [
      { way: 'common plus', when: 'switched below: pins that take current, transistors to minus' },
      { way: 'common minus', when: 'switched above: pins that give current, transistors from plus' },
    ],
    here: 'As the light is made: it decides the side on which its colours are switched, and which level of a pin is light.',
  },
];
