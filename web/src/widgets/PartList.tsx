import { decidingFigures, type Part } from '@glimmer/core/parts';
import type { ReactNode } from 'react';
import { Said } from '../units/Said.tsx';

/** Words of the maker’s, each of which has to be somewhere in what a line says. */
export const hasWords = (text: string, query: string): boolean =>
  query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));

/** Lines of a list under what they are listed by. */
export const Group = ({ title, children }: { readonly title: string | null; readonly children: ReactNode }) => (
  <div role="presentation">
    {title && (
      <div role="presentation" className="px-2 pt-2 pb-0.5 font-display text-small text-verdigris">
        {title}
      </div>
    )}
    {children}
  </div>
);

/** A part by its name, and the figures that decide for or against it. */
export const PartLine = ({
  name,
  part,
  children,
}: {
  readonly name: string;
  /** Null for what stands for none of them. */
  readonly part: Part | null;
  /** Said after its figures. */
  readonly children?: ReactNode;
}) => (
  <>
    <span className="block">{name}</span>
    {part && (
      <span className="block text-tiny text-faint">
        <Said>{decidingFigures(part)}</Said>
        {children}
      </span>
    )}
  </>
);

/** Nothing is left of a list. */
export const NothingFound = () => (
  <div role="presentation" className="px-2 py-1 text-faint">
    Nothing here has all of these words.
  </div>
);
