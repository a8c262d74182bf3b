import type { Assessment } from '../assess.ts';
import { sayComesBack } from '../items/index.ts';
import { sayLaying, sayMove } from '../moves/index.ts';
import type { Rail } from '../network/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import { type Cue, controlsOf, itemNamed, type Mood, type Plan, sayWhen } from '../plan/index.ts';
import { sayKeeping } from '../power/index.ts';
import { amps, hours, joinMessages, type Message, type Printer, quantity, say, seconds } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';

/** A cue as one sentence. */
function sayCue(plan: Plan, cue: Cue): Message {
  const { design } = plan;
  const nameOf = (id: string): string => design.moods.list.find((mood) => mood.id === id)?.name ?? id;
  const from = cue.from === null ? 'any mood' : nameOf(cue.from);
  const fade = cue.fadeS > 0 ? say` over ${seconds(cue.fadeS)}` : '';
  const back =
    cue.backAfterS === null
      ? cue.when.kind === 'while'
        ? ', and back when it ends'
        : ''
      : say`, and back after ${seconds(cue.backAfterS)}`;
  return say`In ${from}, when ${sayWhen(design, cue.when)}: ${nameOf(cue.to)}${fade}${back}.`;
}

/** What to do when a protection board has let go. */
const darkAtOnce = (rail: Rail | undefined, library: Library): Message[] => {
  const board =
    rail?.gives.form === 'cells' ? findPart(library, 'protection', rail.gives.item.protection ?? null) : undefined;
  return board ? [`  if all goes dark at once its protection has let go. ${sayComesBack(board)}`] : [];
};

/** What goes along, when it is exchanged, and how long it keeps. */
const packLines = ({ standBy, rails, library }: Assessment): Message[] =>
  standBy.flatMap(({ supplyId, name, energyWh, brought, swapsH, off, dark }) => [
    say`${name}${brought > 1 ? `, ${brought} of them charged` : ', charged'}: ${quantity('energyWh', energyWh)} each by its cells; carriers’ own rules hold`,
    ...(swapsH.length > 0
      ? [
          say`  switched off and exchanged ${joinMessages(
            swapsH.map((each) => hours(each)),
            ', ',
          )} after the start`,
        ]
      : []),
    say`  switched off it keeps for ${sayKeeping(off.keepsH)}${dark ? say`, left on and dark for ${sayKeeping(dark.keepsH)}` : ''}`,
    ...darkAtOnce(rails.byId.get(supplyId), library),
  ]);

/** What a piece does and how it is worked, as a page of text for whoever wears it or looks after it. */
export function writeMoodCard(plan: Plan, assessment: Assessment, printer: Printer): string {
  const { moods } = plan.design;
  const groundName = (id: string): string =>
    assessment.placed.find((each) => each.id === id)?.name ??
    moods.sets?.find((each) => each.id === id)?.name ??
    itemNamed(plan.design, id)?.name ??
    id;
  const isSwitched = (id: string): boolean => assessment.loads.some(({ itemId }) => itemId === id);
  const sayMoves = (moves: Mood['moves']): Message[] =>
    Object.entries(moves).map(([id, move]) =>
      isSwitched(id)
        ? `  ${groundName(id)}: runs${'count' in move ? ' in bursts' : ''}`
        : say`  ${groundName(id)}: ${sayMove(move)}`,
    );
  const start = moods.startId ?? moods.list[0]?.id;
  const moodLines = moods.list.flatMap((mood, i) => {
    const budget = assessment.moods[i];
    const drawA = budget?.limited?.meanA ?? budget?.meanA;
    return [
      say`${mood.name}${mood.id === start ? ' (at the start)' : ''}${drawA === undefined ? '' : say`, draws ${amps(drawA)}`}`,
      ...sayMoves(mood.moves),
      ...(mood.tops ?? []).map((top) => say`  ${groundName(top.on)}: ${sayLaying(top.how)}${sayMove(top.move)}`),
    ];
  });
  const signLines = (moods.signs ?? []).flatMap((sign) => {
    const control = controlsOf(plan.design).find((each) => each.id === sign.controlId);
    return [`${sign.name}, by ${control?.name ?? 'its control'}, over every mood`, ...sayMoves(sign.moves)];
  });
  const part = (title: string, lines: readonly Message[]): Message[] => (lines.length > 0 ? [title, ...lines, ''] : []);
  return `${[
    `${plan.name}: how it is worked`,
    `Mark ${fingerprint(plan.design)}`,
    '',
    ...part('MOODS', moodLines),
    ...part(
      'CUES',
      moods.cues.map((cue, i) => say`${i + 1}. ${sayCue(plan, cue)}`),
    ),
    ...part('SIGNS', signLines),
    ...part('PACKS', packLines(assessment)),
  ]
    .map(printer.message)
    .join('\n')
    .trimEnd()}\n`;
}
