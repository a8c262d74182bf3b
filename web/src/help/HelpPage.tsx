import { stages } from '@glimmer/core/items';
import { useEffect } from 'react';
import { Link, NavLink, useParams } from 'react-router';
import { isStage, stageInfo } from '../workbench/stageInfo.ts';
import { HelpArticle } from './HelpArticle.tsx';
import { addressOf, glossary } from './words.ts';

/** The words that are not everybody’s. */
function Words() {
  const word = decodeURIComponent(window.location.hash.slice(1));
  useEffect(() => {
    document.getElementById(word)?.scrollIntoView({ block: 'center' });
  }, [word]);
  return (
    <dl>
      {glossary.map(([name, meaning]) => (
        <div
          key={name}
          id={addressOf(name)}
          className={`border-b border-rule/60 px-2 py-1.5 ${addressOf(name) === word ? 'bg-pressed' : ''}`}
        >
          <dt className="font-semibold">{name}</dt>
          <dd>{meaning}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Help: a page a stage, and the words. It comes with the app, and needs no network. */
export function HelpPage() {
  const { page } = useParams();
  const stage = isStage(page) ? page : null;
  const title = stage ? stageInfo[stage].name : 'Words';
  useEffect(() => {
    document.title = `Help: ${title}`;
  }, [title]);
  const look = ({ isActive }: { readonly isActive: boolean }): string =>
    `block rounded-sm px-2 py-1 ${isActive ? 'bg-pressed font-semibold' : 'hover:bg-pressed'}`;
  return (
    <div className="flex h-full max-[899px]:flex-col">
      <nav
        aria-label="Help"
        className="no-print w-56 shrink-0 overflow-y-auto border-r border-rule px-4 py-3 max-[899px]:w-full max-[899px]:border-r-0 max-[899px]:border-b"
      >
        <Link
          to="/"
          className="inline-flex min-h-6 items-center text-small text-verdigris underline underline-offset-2"
        >
          The shelf
        </Link>
        <h1 className="mb-2 text-title leading-7">Help</h1>
        <ul className="max-[899px]:flex max-[899px]:flex-wrap">
          {stages.map((each) => (
            <li key={each}>
              <NavLink to={`/help/${each}`} className={look}>
                {stageInfo[each].name}
              </NavLink>
            </li>
          ))}
          <li>
            <NavLink to="/help/words" className={look}>
              Words
            </NavLink>
          </li>
        </ul>
      </nav>
      <main className="min-w-0 flex-1 overflow-y-auto bg-sheet px-6 py-4">
        <h2 className="text-title leading-7">{title}</h2>
        {stage && <p className="mb-3 text-faint">{stageInfo[stage].question}</p>}
        {stage ? <HelpArticle stage={stage} /> : <Words />}
      </main>
    </div>
  );
}
