import { Combobox, ComboboxInput } from '@headlessui/react';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { usePlan } from '../reckoning/index.ts';
import { tool } from '../state/tool.ts';
import { Dialog } from '../widgets/Dialog.tsx';
import type { Place } from './place.ts';

// The field itself is there at once, so that no key is lost while the rest comes.
const FoundPlaces = lazy(() => import('./FoundPlaces.tsx').then(({ FoundPlaces: found }) => ({ default: found })));

/** What of a place stands in the address: the finding that is told of, or the thing. */
const queryOf = ({ pointId, findingId }: { readonly pointId: string | null; readonly findingId?: string }): string => {
  if (findingId !== undefined) return `?finding=${encodeURIComponent(findingId)}`;
  return pointId === null ? '' : `?at=${encodeURIComponent(pointId)}`;
};

/** One field that finds any thing of the plan and of the app, by its name or by what makers call it. */
export function FindAnything({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate();
  const { id } = usePlan();
  const [query, setQuery] = useState('');
  const go = ({ to, before }: Place): void => {
    onClose();
    before?.();
    if ('page' in to) {
      void navigate(to.page);
      return;
    }
    tool.pointAt(to.pointId);
    void navigate(`/plan/${id}/${to.stage}${queryOf(to)}`);
  };
  return (
    <Dialog open onClose={onClose} title="Find anything">
      <Combobox<Place | null> value={null} onChange={(place) => place && go(place)}>
        <ComboboxInput
          autoFocus
          aria-label="Find a light, a mood, a field, a sum, a finding"
          placeholder="a light, a mood, a field, a sum, a finding"
          onChange={(event) => setQuery(event.target.value)}
          // The list would take the first Escape for itself although it always stays open.
          onKeyDownCapture={(event) => {
            if (event.key === 'Escape') onClose();
          }}
          className="w-full rounded-sm border border-edge bg-paper px-3 py-2"
        />
        <Suspense fallback={<p className="px-3 py-2 text-faint">Looking …</p>}>
          <FoundPlaces query={query} />
        </Suspense>
      </Combobox>
    </Dialog>
  );
}
