import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { Link } from 'react-router';
import { addressOf, findWords } from './words.ts';

/** A text in which the words of the work open their meaning. */
export const InWords = ({ children }: { readonly children: string }) =>
  findWords(children).map(({ text, word, meaning }) =>
    word === null ? (
      text
    ) : (
      <Popover key={word} as="span" className="inline">
        <PopoverButton
          as="button"
          type="button"
          aria-label={`${text}: what is that?`}
          className="inline cursor-help underline decoration-faint decoration-dotted underline-offset-2 print:no-underline"
        >
          {text}
        </PopoverButton>
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
      </Popover>
    ),
  );
