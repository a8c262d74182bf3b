import { type Stage, stages } from '@glimmer/core/items';

/** What each stage is called and which question it answers. */
export const stageInfo: Readonly<Record<Stage, { readonly name: string; readonly question: string }>> = {
  piece: { name: 'Piece', question: 'What is it, who carries it, where, and for how long?' },
  lights: { name: 'Lights', question: 'What glows, where, and will it fit and look right?' },
  moods: { name: 'Moods', question: 'What does it do, and when?' },
  drive: { name: 'Drive', question: 'What switches each light?' },
  power: { name: 'Power', question: 'What feeds it, and does it last?' },
  wires: { name: 'Wires', question: 'What runs where, how thick, which colour?' },
  bench: { name: 'Bench', question: 'What do I do next, and is it right so far?' },
  logbook: { name: 'Logbook', question: 'What happened, and what did we learn?' },
};

/** Whether a word of the address names a stage. */
export const isStage = (text: string | undefined): text is Stage => stages.includes(text as Stage);
