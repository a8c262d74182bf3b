import { CircleQuestionMark } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';

// The sums come only when a question is put.
const QuestionDrawer = lazy(() =>
  import('../sums/QuestionDrawer.tsx').then(({ QuestionDrawer: drawer }) => ({ default: drawer })),
);

interface Question {
  /** The sum that answers it. */
  readonly sum: string;
  readonly asks: string;
  readonly gives: string;
}

const questions: readonly Question[] = [
  {
    sum: 'one-light',
    asks: 'A light on a battery: how bright, for how long?',
    gives: 'Pack and light chosen, it says the resistor, the brightness from fresh to spent, and the hours.',
  },
  {
    sum: 'tape-on-pack',
    asks: 'A tape on a battery: how much of it, for how long?',
    gives: 'How many lights go on its way, what they draw, how bright they may be, and the hours.',
  },
  {
    sum: 'light-gate',
    asks: 'How does a lamp light itself when it is dark?',
    gives: 'Without a program: when it is on, off and half on, and what it draws all day.',
  },
  {
    sum: 'led-resistor',
    asks: 'Which resistor?',
    gives: 'For a pack or a supply: the value, its rating, and the current from fresh to spent.',
  },
];

/** Questions that a maker comes with: each is answered on the spot, and is the start of a plan. */
export function Questions() {
  const [open, setOpen] = useState<Question | null>(null);
  return (
    <section aria-labelledby="questions" className="mt-10">
      <h2 id="questions" className="mb-3 text-title leading-8">
        Begin from a question
      </h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-4">
        {questions.map((question) => (
          <li key={question.sum}>
            <button
              type="button"
              onClick={() => setOpen(question)}
              className="flex h-full w-full gap-2 border border-rule bg-sheet px-3 py-2 text-left hover:border-verdigris"
            >
              <CircleQuestionMark size={18} className="mt-0.5 shrink-0 text-verdigris" aria-hidden />
              <span>
                <span className="block font-semibold">{question.asks}</span>
                <span className="block text-small text-faint">{question.gives}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      {open && (
        <Suspense fallback={null}>
          <QuestionDrawer name={open.sum} asks={open.asks} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </section>
  );
}
