import type { Message } from '@glimmer/core/units';
import { usePrinter } from './index.ts';

/** A message, in the maker's units. */
export const Said = ({ children }: { readonly children: Message }) => usePrinter().message(children);
