import { useMutation, useQuery } from '@tanstack/react-query';
import { Sprout } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { api, type Example, type ShelfEntry } from '../state/api.ts';
import { copyPlan } from '../state/copyPlan.ts';
import { Button } from '../widgets/Button.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { Glimpse } from './Glimpse.tsx';
import { sayTrouble } from './sayTrouble.ts';

/** A name that no plan on the shelf has. @example "Kelp cloak (2)" */
function freeName(name: string, shelf: readonly ShelfEntry[]): string {
  const isTaken = (wanted: string): boolean => shelf.some((entry) => entry.name === wanted);
  let free = name;
  for (let i = 2; isTaken(free); i += 1) free = `${name} (${i})`;
  return free;
}

interface OfferProps {
  readonly example: Example;
  readonly shelf: readonly ShelfEntry[];
}

/** One example: its picture, what it shows, and the way into it. */
function Offer({ example, shelf }: OfferProps) {
  const navigate = useNavigate();
  const { data: facts } = useQuery({
    queryKey: ['example', example.id],
    queryFn: () => api.exampleFacts(example.id),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const begun = shelf.find((entry) => entry.id === example.id || entry.name === example.name);
  const begin = useMutation({
    mutationFn: async () => {
      const plan = await api.example(example.id);
      return api.add(copyPlan(plan, freeName(plan.name, shelf)));
    },
    onSuccess: (kept) => navigate(`/plan/${kept.plan.id}/piece`),
    onError: (trouble) => tell(sayTrouble(trouble), { gravity: 'trouble' }),
  });
  return (
    <li className="flex flex-col border border-rule bg-sheet">
      {facts?.state === 'reckoned' ? <Glimpse glimpse={facts.glimpse} /> : <div className="h-44 w-full bg-[#0e1013]" />}
      <div className="flex flex-1 flex-col px-3 py-2">
        <h3 className="font-semibold">{example.name}</h3>
        <p className="flex-1 text-small text-faint">{example.shows}</p>
        <p className="mt-1 flex flex-wrap items-center gap-x-2">
          <Button
            look="quiet"
            className="-ml-2.5"
            onClick={() => begin.mutate()}
            disabled={begin.isPending}
            aria-label={`Begin ${begun ? 'another ' : ''}from ${example.name}`}
          >
            <Sprout size={15} />
            {begun ? 'Begin another' : 'Begin from this'}
          </Button>
          {begun && (
            <span className="text-small text-faint">
              one is{' '}
              <Link to={`/plan/${begun.id}/piece`} className="underline">
                on the shelf
              </Link>{' '}
              already
            </span>
          )}
        </p>
      </div>
    </li>
  );
}

/** Example pieces that a plan can begin from. */
export function Examples({ shelf }: { readonly shelf: readonly ShelfEntry[] }) {
  const { data: examples = [] } = useQuery({
    queryKey: ['examples'],
    queryFn: api.listExamples,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (examples.length === 0) return null;
  return (
    <section aria-labelledby="examples" className="mt-10">
      <h2 id="examples" className="text-title leading-8">
        Begin from an example
      </h2>
      <p className="mb-3 text-faint">
        Pieces of the Saltmarsh Lantern Parade, made up for this: each becomes a plan of your own that you change as you
        like.
      </p>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-4">
        {examples.map((example) => (
          <Offer key={example.id} example={example} shelf={shelf} />
        ))}
      </ul>
    </section>
  );
}
