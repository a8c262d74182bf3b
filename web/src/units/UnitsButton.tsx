import { Ruler } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../widgets/Button.tsx';

const UnitsDialog = lazy(() => import('./UnitsDialog.tsx'));

/** Opens the choice of units, which is fetched when it is first asked for. */
export function UnitsButton() {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button look="quiet" onClick={() => setOpen(true)} aria-label="Units">
        <Ruler size={16} />
      </Button>
      {isOpen && (
        <Suspense>
          <UnitsDialog onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
