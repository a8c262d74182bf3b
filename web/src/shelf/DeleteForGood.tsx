import { Trash2 } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../widgets/Button.tsx';
import { deleteForGood, type Named, sayPlans } from './deeds.ts';

// The shelf comes without dialogs.
const Dialog = lazy(() => import('../widgets/Dialog.tsx').then(({ Dialog: dialog }) => ({ default: dialog })));

/** Deletes what is put away, once it is asked again. */
export function DeleteForGood({
  plans,
  onChange,
}: {
  readonly plans: readonly Named[];
  readonly onChange: () => void;
}) {
  const [asks, setAsks] = useState(false);
  const said = sayPlans(plans);
  return (
    <>
      <Button
        look="quiet"
        disabled={plans.length === 0}
        onClick={() => setAsks(true)}
        aria-label={`Delete ${said} for good`}
      >
        <Trash2 size={15} />
        Delete for good
      </Button>
      {asks && (
        <Suspense>
          <Dialog open onClose={() => setAsks(false)} title={`Delete ${said} for good?`}>
            <p className="mb-4">
              {plans.length === 1
                ? 'The plan goes with its versions, pictures and logbook'
                : 'They go with their versions, pictures and logbooks'}
              , from this machine and from the archive of everything. Take {plans.length === 1 ? 'it' : 'them'} out as a
              file first where {plans.length === 1 ? 'it' : 'one of them'} may be wanted again.
            </p>
            <div className="flex flex-wrap gap-2">
              <Button
                onClick={() => {
                  setAsks(false);
                  void deleteForGood(plans, onChange);
                }}
              >
                <Trash2 size={15} />
                Delete for good
              </Button>
              <Button look="quiet" onClick={() => setAsks(false)}>
                Keep {plans.length === 1 ? 'it' : 'them'}
              </Button>
            </div>
          </Dialog>
        </Suspense>
      )}
    </>
  );
}
