import type { Plan } from '@glimmer/core/plan';
import type { QuickSum, Values } from '@glimmer/core/sums';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { whenSaved } from '../keeping/index.ts';
import { api } from '../state/api.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { Choice } from '../widgets/fields.tsx';
import { beginPlan, putInto, stageOfSum } from './beginPlan.ts';

const NEW = 'new';
interface PutIntoPlanProps {
  readonly sum: QuickSum;
  readonly values: Values;
  readonly onClose: () => void;
}

/** Puts it into the plan that is aimed at, and gives that plan as it is then. */
function usePutting(sum: QuickSum, values: Values, target: string) {
  return useMutation({
    mutationFn: async (): Promise<Plan> => {
      if (target === NEW) return beginPlan(sum, values);
      const kept = await api.load(target);
      const filled = putInto(kept.plan, sum, values);
      await api.save(filled, kept.revision, crypto.randomUUID());
      return filled;
    },
  });
}

/** Puts what a card reckoned into a plan of the shelf, or into a new one. */
export function PutIntoPlan({ sum, values, onClose }: PutIntoPlanProps) {
  const { data: plans, error } = useQuery({
    queryKey: ['shelf', 'open'],
    queryFn: () => whenSaved().then(() => api.list('open')),
  });
  const [target, setTarget] = useState(NEW);
  const put = usePutting(sum, values, target);
  const done = put.data;
  return (
    <Dialog open onClose={onClose} title="Put this into a plan">
      {done ? (
        <>
          <p className="mb-4">It is in {done.name}.</p>
          <Link to={`/plan/${done.id}/${stageOfSum(sum)}`} className="text-verdigris underline">
            Open {done.name}
          </Link>
        </>
      ) : (
        <>
          <Choice
            label="Plan"
            value={target}
            options={[
              { value: NEW, label: 'a new plan' },
              ...(plans ?? []).map((plan) => ({ value: plan.id, label: plan.name })),
            ]}
            onChoose={setTarget}
          />
          {(put.error ?? error) && (
            <p role="alert" className="mt-2 text-brick-ink">
              {put.error?.message ?? 'The server does not answer; try again when it is back'}
            </p>
          )}
          <div className="mt-4 flex gap-2">
            <Button look="main" disabled={put.isPending} onClick={() => put.mutate()}>
              Put it in
            </Button>
            <Button onClick={onClose}>Not now</Button>
          </div>
        </>
      )}
    </Dialog>
  );
}
