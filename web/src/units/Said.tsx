import type { Message } from '@glimmer/core/units';
import { usePrinter } from './index.ts';
import { Whole } from './Whole.tsx';

/** A message, in the maker's units. */
export const Said = ({ children }: { readonly children: Message }) => <Whole>{usePrinter().message(children)}</Whole>;
