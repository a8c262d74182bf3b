import { Popover, PopoverButton } from '@headlessui/react';
import { Whole } from '../units/Whole.tsx';
import { Meaning } from './Meaning.tsx';
import { findWords } from './words.ts';

/** A text in which the words of the work open their meaning. */
export const InWords = ({ children }: { readonly children: string }) =>
  findWords(children).map(({ text, word, meaning }, i) =>
    word === null ? (
      <Whole key={`${i} ${text}`}>{text}</Whole>
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
        <Meaning word={word} meaning={meaning ?? ''} />
      </Popover>
    ),
  );
