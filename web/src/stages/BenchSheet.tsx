import { findGates, type StepProgress } from '@glimmer/core/bench';
import { Check, ChevronLeft, ChevronRight, CircleAlert, X } from 'lucide-react';
import { useState } from 'react';
import { BoardReader } from '../bench/BoardReader.tsx';
import { SimulatedController } from '../bench/SimulatedController.tsx';
import { TestSheet } from '../bench/TestSheet.tsx';
import { useReckoned } from '../reckoning/index.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { StepCard } from './StepCard.tsx';

interface AllStepsProps {
  readonly steps: readonly StepProgress[];
  /** The one whose card is up. */
  readonly at: number;
  readonly onChoose: (stepId: string) => void;
}

function AllSteps({ steps, at, onChoose }: AllStepsProps) {
  const printer = usePrinter();
  return (
    <Section title="All steps">
      <ol>
        {steps.map((each, i) => (
          <li key={each.step.id}>
            <button
              type="button"
              onClick={() => onChoose(each.step.id)}
              aria-current={i === at ? 'step' : undefined}
              className={`flex w-full items-center gap-2 border-b border-rule/60 py-0.5 text-left ${i === at ? 'bg-pressed font-semibold' : ''}`}
            >
              <span className="figures w-6 text-right text-faint">{i + 1}</span>
              <span className="w-5">
                {each.undo.length > 0 ? (
                  <CircleAlert size={16} className="text-amber-ink" aria-label="built otherwise" />
                ) : each.done ? (
                  <Check size={16} className="text-verdigris" aria-label="done" />
                ) : each.judgement ? (
                  <X size={16} className="text-brick-ink" aria-label="wrong" />
                ) : null}
              </span>
              <span className="flex-1">{each.step.title}</span>
              <span className="figures text-small text-faint">
                {each.reading && each.step.expect ? printer.quantity(each.step.expect.kind, each.reading.value) : ''}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </Section>
  );
}

/** Stage 7. */
export default function BenchSheet() {
  const { progress: steps } = useReckoned();
  const firstOpen = Math.max(
    0,
    steps.findIndex((each) => !each.done),
  );
  const [chosenId, setChosenId] = useState<string | null>(null);
  const chosen = steps.findIndex((each) => each.step.id === chosenId);
  const at = chosen >= 0 ? chosen : firstOpen;
  const current = steps[at];
  if (!current)
    return <BeginHere>The steps are made from the plan: lights, a controller and a pack come first.</BeginHere>;
  const go = (to: number): void => setChosenId(steps[Math.min(steps.length - 1, Math.max(0, to))]?.step.id ?? null);
  const done = steps.filter((each) => each.done).length;
  return (
    <>
      <TestSheet steps={steps} />
      <div className="no-print">
        <div className="mb-2 flex items-center gap-2">
          <Button onClick={() => go(at - 1)} disabled={at === 0} aria-label="Step before">
            <ChevronLeft size={20} />
          </Button>
          <span className="figures flex-1 text-center" role="status">
            Step {at + 1} of {steps.length}; {done} done
          </span>
          <Button onClick={() => go(at + 1)} disabled={at === steps.length - 1} aria-label="Step after">
            <ChevronRight size={20} />
          </Button>
        </div>
        <StepCard progress={current} gates={findGates(steps, current.step.id)} onTaken={() => go(at + 1)} />
        <SimulatedController />
        <BoardReader />
        <AllSteps steps={steps} at={at} onChoose={setChosenId} />
      </div>
    </>
  );
}
