import { PopoverPanel } from '@headlessui/react';
import { Link } from 'react-router';
import { addressOf } from './words.ts';

/** What a word of the work means, opened where it stands. */
export const Meaning = ({ word, meaning }: { readonly word: string; readonly meaning: string }) => (
  <PopoverPanel
    as="span"
    anchor={{ to: 'bottom start', gap: 4, padding: 8 }}
    className="no-print z-50 block w-72 max-w-[90vw] border border-ink bg-sheet px-3 py-2 text-small text-ink"
  >
    <strong className="block">{word}</strong>
    {meaning}{' '}
    <Link to={`/help/words#${addressOf(word)}`} className="text-verdigris underline">
      All words
    </Link>
  </PopoverPanel>
);
