import { createPlan, emptyDesign, type Plan } from '@glimmer/core/plan';
import type { QuickSum, Values } from '@glimmer/core/sums';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { whenSaved } from '../keeping/index.ts';
import { api } from '../state/api.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { Choice } from '../widgets/fields.tsx';

const NEW = 'new';
const stageOf: Readonly<Record<QuickSum['group'], string>> = {
  lights: 'lights',
  drive: 'lights',
  power: 'power',
  wires: 'power',
  'heat and make': 'piece',
};

interface PutIntoPlanProps {
  readonly sum: QuickSum;
  readonly values: Values;
  readonly onClose: () => void;
}

/** Puts it into the plan that is aimed at, and gives that plan as it is then. */
function usePutting(sum: QuickSum, values: Values, target: string) {
  return useMutation({
    mutationFn: async (): Promise<Plan> => {
      const into = (plan: Plan): Plan => ({
        ...plan,
        design: sum.intoDesign?.(plan.design, values, () => crypto.randomUUID()) ?? plan.design,
      });
      if (target === NEW) {
        const fresh = createPlan({ id: crypto.randomUUID(), name: sum.title, design: emptyDesign });
        return (await api.add(into(fresh))).plan;
      }
      const kept = await api.load(target);
      const filled = into(kept.plan);
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
          <Link
            to={`/plan/${done.id}/${sum.name === 'fit' ? 'piece' : stageOf[sum.group]}`}
            className="text-verdigris underline"
          >
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
