import type { Stage } from '@glimmer/core/items';
import { CircleHelp } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { stageInfo } from '../workbench/stageInfo.ts';

const HelpArticle = lazy(() => import('./HelpArticle.tsx').then(({ HelpArticle: article }) => ({ default: article })));

/** The help of a stage, beside its name: it opens over the sheet, which stays as it is. */
export function StageHelp({ stage }: { readonly stage: Stage }) {
  const [isOpen, setOpen] = useState(false);
  const { name } = stageInfo[stage];
  return (
    <>
      <Button
        look="quiet"
        aria-label={`Help on ${name}`}
        data-tip={`What ${name} is for`}
        onClick={() => setOpen(true)}
      >
        <CircleHelp size={17} aria-hidden="true" />
        Help
      </Button>
      <Dialog open={isOpen} onClose={() => setOpen(false)} title={name} side="right">
        <Suspense fallback={<p className="text-faint">Opening the help …</p>}>
          <HelpArticle stage={stage} />
        </Suspense>
        <div className="mt-4 flex flex-wrap items-center gap-3">
          <Button onClick={() => setOpen(false)}>Close</Button>
          <Link to="/help/words" className="text-verdigris underline underline-offset-2">
            What do the words mean?
          </Link>
        </div>
      </Dialog>
    </>
  );
}
