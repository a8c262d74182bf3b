import { findSum, type QuickSum, readInputs, showInput, type Values } from '@glimmer/core/sums';
import type { Printer } from '@glimmer/core/units';
import type { DeskCard } from '@glimmer/core/workshop';

/**
 * The cards of a desk in other units: what was typed as a bare number stood for the unit that was read until now, and says so from
 * now on.
 */
export const rewriteCards = (cards: readonly DeskCard[], before: Printer, after: Printer): readonly DeskCard[] =>
  cards.map((card) => ({ ...card, texts: rewriteTexts(card, before, after) }));

function rewriteTexts({ sum: name, texts }: DeskCard, before: Printer, after: Printer): DeskCard['texts'] {
  const sum = findSum(name);
  if (!sum) return texts;
  const [then, now] = [before, after].map((printer) => answerable(sum, texts, printer));
  if (!then || JSON.stringify(then) === JSON.stringify(now)) return texts;
  return Object.fromEntries(
    Object.entries(texts).map(([key, text]) => [
      key,
      text === '' || JSON.stringify(then[key]) === JSON.stringify(now?.[key])
        ? text
        : showInput(sum, key, then[key] ?? null, before),
    ]),
  );
}

/** What the fields of a card stand for, in these units; null where they can't be read. */
function answerable(sum: QuickSum, texts: DeskCard['texts'], printer: Printer): Values | null {
  const read = readInputs(sum, texts, printer);
  return read.ok ? read.values : null;
}
