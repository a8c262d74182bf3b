import type { Finding, Gravity } from '@glimmer/core/items';
import { CircleAlert, Info, OctagonX, Wrench } from 'lucide-react';
import { InWords } from '../help/InWords.tsx';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';

const looks: Readonly<
  Record<Gravity, { readonly word: string; readonly frame: string; readonly ink: string; readonly Icon: typeof Info }>
> = {
  stop: { word: 'Stop', frame: 'border-brick-ink bg-brick-wash', ink: 'text-brick-ink', Icon: OctagonX },
  mend: { word: 'Mend', frame: 'border-amber-ink bg-amber-wash', ink: 'text-amber-ink', Icon: CircleAlert },
  mind: { word: 'Mind', frame: 'border-rule bg-pressed/50', ink: 'text-faint', Icon: Info },
};

/** Border and ground of a finding by how grave it is. */
export const findingFrame = (gravity: Gravity): string => looks[gravity].frame;

/** What a finding says: what is so, why it matters, what would mend it. */
export function FindingBody({ finding }: { readonly finding: Finding }) {
  const printer = usePrinter();
  const { word, ink, Icon } = looks[finding.gravity];
  return (
    <>
      <p className={`flex gap-2 font-semibold ${ink}`}>
        <Icon size={17} className="mt-0.5 shrink-0" aria-hidden="true" />
        <span>
          <span className="sr-only">{word}: </span>
          <Said>{finding.what}</Said>
        </span>
      </p>
      <p className="text-small text-ink">
        <InWords>{printer.message(finding.why)}</InWords>
      </p>
      <p className="text-small text-ink">
        <Wrench size={13} className="mr-1 inline" aria-hidden="true" />
        <InWords>{printer.message(finding.mend)}</InWords>
      </p>
    </>
  );
}
