import type { Stage } from '@glimmer/core/items';
import { Said } from '../units/Said.tsx';
import { stageInfo } from '../workbench/stageInfo.ts';
import { helpPages } from './pages.ts';
import { HelpPicture } from './pictures.tsx';

/** What a stage is for, what to do there, and one example with its figures. */
export function HelpArticle({ stage }: { readonly stage: Stage }) {
  const { about, steps, example } = helpPages[stage];
  return (
    <article aria-label={`Help: ${stageInfo[stage].name}`} className="max-w-prose">
      {about.map((text, i) => (
        <p key={i} className="mb-2">
          <Said>{text}</Said>
        </p>
      ))}
      <HelpPicture stage={stage} />
      <h3 className="mt-3 mb-1 text-medium">What to do</h3>
      <ol className="list-decimal pl-5">
        {steps.map((text, i) => (
          <li key={i} className="mb-1">
            <Said>{text}</Said>
          </li>
        ))}
      </ol>
      <h3 className="mt-3 mb-1 text-medium">For instance</h3>
      {example.map((text, i) => (
        <p key={i} className="border-l-2 border-verdigris bg-pressed/50 px-3 py-2">
          <Said>{text}</Said>
        </p>
      ))}
    </article>
  );
}
