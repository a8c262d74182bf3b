import { CircleQuestionMark } from 'lucide-react';
import { memo } from 'react';
import { Meaning } from './Meaning.tsx';
import { findWords } from './words.ts';

/** Beside the label of a field: what the first word of the work in it means. Nothing where it has none. */
export const WordHelp = memo(({ label }: { readonly label: string }) => {
  const found = findWords(label).find(({ word }) => word !== null);
  if (!found || found.word === null || found.meaning === null) return null;
  return (
    <span className="no-print relative z-1 -my-1 inline-flex">
      <Meaning
        text={found.text}
        word={found.word}
        meaning={found.meaning}
        className="inline-grid size-6 cursor-help place-items-center text-faint hover:text-ink"
      >
        <CircleQuestionMark size={13} aria-hidden="true" />
      </Meaning>
    </span>
  );
});
