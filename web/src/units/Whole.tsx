import { Fragment, memo } from 'react';

/** A figure with its unit or with what it counts. */
const figure = /(?:± ?|−)?\d[\d.,]* (?:[\p{L}%°Ω][^\s,;:()]*)/gu;

/** A text whose figures never part from their units at the end of a line; what is copied out of it is the text as it is. */
export const Whole = memo(({ children }: { readonly children: string }) => {
  const found = [...children.matchAll(figure)];
  // A figure alone is kept together by what it stands in.
  if (found.length === 0 || found[0]?.[0] === children) return children;
  return found.map(({ 0: text, index }, i) => {
    const before = found[i - 1];
    const from = before ? before.index + before[0].length : 0;
    return (
      <Fragment key={index}>
        {children.slice(from, index)}
        <span className="whitespace-nowrap">{text}</span>
        {i === found.length - 1 && children.slice(index + text.length)}
      </Fragment>
    );
  });
});
