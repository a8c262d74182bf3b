import type { Along } from '../items/limits.ts';
import { type Quantity, quantity } from '../units/index.ts';

const alongWords: Readonly<Record<Along, string>> = {
  route: '',
  'route back': ', against the data',
  'both ends': ', from both ends',
  ring: ', round by the clock',
  across: ', across the picture',
  down: ', down the picture',
  outward: ', from the middle out',
};

/** The order in which a move meets the lights, as the end of its words. */
export const sayAlong = ({ along }: { readonly along?: Along | undefined }): string => (along ? alongWords[along] : '');

/** A level to a whole per cent. */
export const sayLevel = (level: number): Quantity => quantity('fraction', Math.round(level * 100) / 100);
