import { judgeReading, type StepProgress, sayBand, type Verdict, whatIsBuilt } from '@glimmer/core/bench';
import { castDraft } from 'immer';
import { Check, CircleAlert, X } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useEffect, useRef, useState } from 'react';
import { useReckoned } from '../reckoning/index.ts';
import { editPlan } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { useTyped } from '../widgets/typed.ts';

const verdictLooks: Readonly<
  Record<Verdict, { readonly word: string; readonly tone: string; readonly Icon: typeof Check }>
> = {
  right: { word: 'Right', tone: 'text-verdigris', Icon: Check },
  near: { word: 'Near', tone: 'text-amber-ink', Icon: CircleAlert },
  wrong: { word: 'Wrong', tone: 'text-brick-ink', Icon: X },
};

/** A reading as it is typed, and how it is taken. */
function useReading(progress: StepProgress, onTaken: () => void) {
  const printer = usePrinter();
  const { step } = progress;
  const [typed, setTyped] = useTyped(`reading of ${step.id}`);
  const text = typed ?? '';
  const [problem, setProblem] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    setProblem(null);
    // The hands are on the probes: the field is ready when the card comes up, unless another field is in use.
    if (document.activeElement === document.body || document.activeElement?.closest('[data-card]'))
      input.current?.focus({ preventScroll: true });
  }, []);
  const take = (): void => {
    const { expect } = step;
    if (!expect) return;
    const parsed = printer.parse(expect.kind, text);
    if (!parsed.ok) {
      setProblem(parsed.problem);
      return;
    }
    editPlan((draft) => {
      draft.bench.readings.push({
        id: nanoid(8),
        stepId: step.id,
        value: parsed.value,
        takenAt: new Date().toISOString(),
        note: '',
      });
    });
    setTyped(null);
    if (judgeReading(expect, parsed.value).verdict === 'right') onTaken();
  };
  const type = (next: string): void => {
    setTyped(next);
    setProblem(null);
  };
  return { input, text, problem, type, take };
}

/** The field for a reading: judged as soon as it is taken. */
function ReadingField({ progress, onTaken }: { readonly progress: StepProgress; readonly onTaken: () => void }) {
  const { input, text, problem, type, take } = useReading(progress, onTaken);
  return (
    <form
      className="flex flex-wrap items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <label className="flex-1">
        <span className="block text-faint">Your reading</span>
        <input
          ref={input}
          value={text}
          onChange={(event) => type(event.target.value)}
          inputMode="decimal"
          autoComplete="off"
          aria-invalid={problem !== null}
          className={`figures w-full min-w-32 rounded-sm border-2 bg-paper px-3 py-2 text-title ${problem ? 'border-brick-ink' : 'border-ink'}`}
        />
      </label>
      <Button look="main" type="submit" className="mt-5.5 px-5 py-2.5 text-large">
        Take it
      </Button>
      {problem && (
        <p role="alert" className="w-full text-brick-ink">
          {problem}
        </p>
      )}
    </form>
  );
}

interface StepCardProps {
  readonly progress: StepProgress;
  /** Tests before this that are not right yet, where it can’t be taken back. */
  readonly gates: readonly StepProgress[];
  readonly onTaken: () => void;
}

/** What to mind before the hands move. */
function Notes({ progress, gates }: Pick<StepCardProps, 'progress' | 'gates'>) {
  const printer = usePrinter();
  const { step, undo } = progress;
  return (
    <>
      {step.caution && (
        <p className="mt-2 border-l-4 border-amber-ink bg-amber-wash px-3 py-1 text-amber-ink">{step.caution}</p>
      )}
      {undo.length > 0 && (
        <div role="note" className="mt-2 border-l-4 border-amber-ink bg-amber-wash px-3 py-1 text-amber-ink">
          This was soldered, and the plan has changed since. To follow it:
          <ul className="ml-5 list-disc">
            {undo.map((each) => (
              <li key={printer.message(each)}>
                <Said>{each}</Said>
              </li>
            ))}
          </ul>
        </div>
      )}
      {gates.length > 0 && (
        <p role="note" className="mt-2 border-l-4 border-brick-ink bg-brick-wash px-3 py-1 text-brick-ink">
          Last chance: {gates.length} test{gates.length === 1 ? '' : 's'} before this not right yet (
          {gates
            .slice(0, 3)
            .map((gate) => gate.step.title)
            .join('; ')}
          {gates.length > 3 ? ' …' : ''}).
        </p>
      )}
    </>
  );
}

/** What to expect at the probes, and what they said. */
function Reading({ progress, onTaken }: Pick<StepCardProps, 'progress' | 'onTaken'>) {
  const printer = usePrinter();
  const { step, reading, judgement } = progress;
  const look = judgement && verdictLooks[judgement.verdict];
  if (!step.expect) return null;
  return (
    <div className="stitch mt-3 pt-3">
      <p className="mb-2 text-large">
        <span className="text-faint">Expect </span>
        <span className="figures text-title font-semibold">
          <Said>{sayBand(step.expect)}</Said>
        </span>
      </p>
      <ReadingField key={step.id} progress={progress} onTaken={onTaken} />
      {reading && look && judgement && (
        <p role="status" className={`mt-2 flex items-center gap-2 text-large ${look.tone}`}>
          <look.Icon size={22} aria-hidden="true" />
          <span>
            <strong>{look.word}</strong>:{' '}
            <span className="figures">{printer.quantity(step.expect.kind, reading.value)}</span>,{' '}
            <Said>{judgement.words}</Said>
          </span>
        </p>
      )}
    </div>
  );
}

function DoneButton({ progress, onTaken }: Pick<StepCardProps, 'progress' | 'onTaken'>) {
  const { assessment } = useReckoned();
  const { step } = progress;
  return (
    <div className="stitch mt-3 pt-3">
      <Button
        look={progress.done ? 'plain' : 'main'}
        className="px-5 py-2.5 text-large"
        onClick={() => {
          const wasDone = progress.done;
          editPlan((draft) => {
            draft.bench.done = draft.bench.done.filter((each) => each.stepId !== step.id);
            const built = whatIsBuilt(step.id, assessment);
            if (!wasDone)
              draft.bench.done.push(
                castDraft({ stepId: step.id, at: new Date().toISOString(), ...(built ? { built } : {}) }),
              );
          });
          if (!wasDone) onTaken();
        }}
      >
        <Check size={20} />
        {progress.done ? 'Not done after all' : 'Done'}
      </Button>
    </div>
  );
}

/** The step that is open at the bench: what to do, its reading and its notes, and whether it is right. */
export function StepCard({ progress, gates, onTaken }: StepCardProps) {
  const { step } = progress;
  return (
    <article data-card={step.id} className="border-2 border-ink bg-paper p-4">
      <p className="text-small text-faint">
        {step.chapter}
        {step.final && <strong className="ml-2 text-amber-ink">can’t be taken back</strong>}
      </p>
      <h3 className="mb-2 text-display leading-8">{step.title}</h3>
      <p className="text-large leading-7">
        <Said>{step.todo}</Said>
      </p>
      {step.probe && (
        <p className="mt-2 text-large">
          <span className="text-faint">Touch: </span>
          {step.probe}
        </p>
      )}
      <Notes progress={progress} gates={gates} />
      <Reading progress={progress} onTaken={onTaken} />
      {!step.expect && <DoneButton progress={progress} onTaken={onTaken} />}
    </article>
  );
}
