import { memo } from 'react';
import { Whole } from '../units/Whole.tsx';
import { Meaning } from './Meaning.tsx';
import { findWords } from './words.ts';

/** A text in which the words of the work open their meaning. */
export const InWords = memo(({ children }: { readonly children: string }) =>
  findWords(children).map(({ text, word, meaning }, i) =>
    word === null || meaning === null ? (
      <Whole key={`${i} ${text}`}>{text}</Whole>
    ) : (
      <Meaning
        key={word}
        text={text}
        word={word}
        meaning={meaning}
        className="inline cursor-help underline decoration-faint decoration-dotted underline-offset-2 print:no-underline"
      >
        {text}
      </Meaning>
    ),
  ),
);
