import { findSum, type QuickSum } from '@glimmer/core/sums';
import { useMutation } from '@tanstack/react-query';
import { Sprout } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { beginPlan, stageOfSum } from './beginPlan.ts';
import { desk } from './deskStore.ts';
import { exampleTexts } from './exampleTexts.ts';
import { SumForm } from './SumCard.tsx';
import type { SentAnswer } from './sumsWorker.ts';

function Ways({
  sum,
  answer,
  texts,
}: {
  readonly sum: QuickSum;
  readonly answer: SentAnswer;
  readonly texts: Readonly<Record<string, string>>;
}) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () => beginPlan(sum, answer.values),
    onSuccess: (plan) => navigate(`/plan/${plan.id}/${stageOfSum(sum)}`),
    onError: (trouble) => tell(trouble.message, { gravity: 'trouble' }),
  });
  const keep = (): void => {
    desk.add(sum.name, texts);
    tell(`${sum.title} lies on the desk of quick sums`);
  };
  return (
    <div className="stitch sticky -bottom-5 -mx-5 mt-3 flex flex-wrap gap-2 bg-sheet px-5 py-3">
      <Button look="main" disabled={begin.isPending} onClick={() => begin.mutate()}>
        <Sprout size={15} />
        Begin a plan with this
      </Button>
      <Button onClick={keep}>Lay it on the desk</Button>
    </div>
  );
}

/** A first question, answered as its fields are filled in, and the way on into a plan. */
export function QuestionDrawer({
  name,
  asks,
  onClose,
}: {
  readonly name: string;
  /** The question, as a maker puts it. */
  readonly asks: string;
  readonly onClose: () => void;
}) {
  const printer = usePrinter();
  const sum = findSum(name);
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>(() => exampleTexts(name, printer));
  if (!sum) return null;
  return (
    <Dialog open onClose={onClose} title={asks} side="right">
      <SumForm sum={sum} texts={texts} onType={(key, text) => setTexts({ ...texts, [key]: text })}>
        {(answer) => <Ways sum={sum} answer={answer} texts={texts} />}
      </SumForm>
    </Dialog>
  );
}
