import { exportRingSvg } from '@glimmer/core/exports';
import type { Finding } from '@glimmer/core/items';
import { type Drawing, findSum, type Input, isAskedFor, type QuickSum } from '@glimmer/core/sums';
import type { DeskCard } from '@glimmer/core/workshop';
import { ArrowDownToLine, Copy, FolderInput, X } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { saveFile } from '../shelf/files.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { FindingBody, findingFrame } from '../widgets/FindingBody.tsx';
import { SumView } from '../widgets/SumView.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { desk, useDesk } from './deskStore.ts';
import { InputRow } from './InputRow.tsx';
import { PutIntoPlan } from './PutIntoPlan.tsx';
import { ResultLines } from './ResultLines.tsx';
import { SumDrawing } from './SumDrawing.tsx';
import type { SentAnswer } from './sumsWorker.ts';
import { useAnswer } from './useAnswer.ts';

/** Asked for on the face of the card; the rest waits behind a line. */
const isOnFace = (input: Input, text: string): boolean =>
  (input.as === 'quantity' && input.needed) ||
  (input.as === 'pairs' && input.initial.length > 0) ||
  (input.as === 'list' && input.initial.length > 0) ||
  (input.as === 'optional' && input.example !== undefined) ||
  input.as === 'words' ||
  // Which part it is makes the answer.
  (input.as === 'choice' && input.parts !== undefined) ||
  text !== '';

function FindingItems({ findings }: { readonly findings: readonly Finding[] }) {
  if (findings.length === 0) return null;
  return (
    <ul className="my-2">
      {findings.map((finding) => (
        <li key={finding.id} className={`mb-1.5 border-l-4 px-3 py-1.5 ${findingFrame(finding.gravity)}`}>
          <FindingBody finding={finding} />
        </li>
      ))}
    </ul>
  );
}

function RingButton({ ring, title }: { readonly ring: Extract<Drawing, { kind: 'ring' }>; readonly title: string }) {
  const printer = usePrinter();
  return (
    <Button
      className="no-print mt-2"
      onClick={() => saveFile('ring-template.svg', exportRingSvg(ring, title, printer), 'image/svg+xml')}
    >
      <ArrowDownToLine size={15} />
      Template, full size, SVG
    </Button>
  );
}

function CardHeader({
  card,
  sum,
  onPut,
}: {
  readonly card: DeskCard;
  readonly sum: QuickSum;
  readonly onPut: () => void;
}) {
  const take = (): void => {
    const { cards } = useDesk.getState();
    desk.take(card.id);
    tell(`${sum.title} taken off the desk`, { undo: () => desk.putBack(cards) });
  };
  return (
    <header className="mb-1 flex items-start justify-between gap-2">
      <h2 className="text-large leading-6">{sum.title}</h2>
      <span className="no-print -mt-1 mr-1 flex shrink-0">
        {sum.intoDesign && (
          <Button
            look="quiet"
            onClick={onPut}
            aria-label={`Put ${sum.title} into a plan`}
            data-tip="Put this into a plan"
          >
            <FolderInput size={16} />
          </Button>
        )}
        <Button
          look="quiet"
          onClick={() => desk.copy(card.id)}
          aria-label={`Copy ${sum.title} beside`}
          data-tip="Copy beside, to compare"
        >
          <Copy size={15} />
        </Button>
        <Button look="quiet" onClick={take} aria-label={`Take ${sum.title} off the desk`} data-tip="Take off the desk">
          <X size={16} />
        </Button>
      </span>
    </header>
  );
}

/** What came of it: results, drawing, findings and the sum itself. */
function AnswerView({ answer, title }: { readonly answer: SentAnswer; readonly title: string }) {
  const printer = usePrinter();
  return (
    <div className="stitch mt-2.5 pt-2.5" data-answer>
      <ResultLines
        results={answer.results}
        afterMain={
          <>
            <FindingItems findings={answer.findings.filter((finding) => finding.gravity !== 'mind')} />
            {answer.drawing && <SumDrawing drawing={answer.drawing} />}
          </>
        }
      />
      {answer.drawing?.kind === 'ring' && <RingButton ring={answer.drawing} title={title} />}
      <FindingItems findings={answer.findings.filter((finding) => finding.gravity === 'mind')} />
      {answer.steps.length > 0 && (
        <details className="mt-1">
          <summary className="text-small text-faint">The sum, with its numbers</summary>
          {answer.steps.map((step) => (
            <div key={`${step.name} ${printer.message(step.filled)}`} className="stitch mt-2 pt-2">
              <h3 className="text-body">{step.name}</h3>
              <SumView sum={step} />
            </div>
          ))}
        </details>
      )}
    </div>
  );
}

interface SumFormProps {
  readonly sum: QuickSum;
  /** As they were typed, by the keys of the inputs. */
  readonly texts: Readonly<Record<string, string>>;
  readonly onType: (key: string, text: string) => void;
  /** What is done with an answer. */
  readonly children?: (answer: SentAnswer) => ReactNode;
}

/** The fields of a sum with its answer below: wherever a sum is made. */
export function SumForm({ sum, texts, onType, children }: SumFormProps) {
  const printer = usePrinter();
  const entries = useMemo(
    () => Object.entries(sum.inputs).filter(([, input]) => isAskedFor(input, sum.inputs, (key) => texts[key])),
    [sum, texts],
  );
  const asked = useMemo(() => Object.fromEntries(entries.map(([key]) => [key, texts[key] ?? ''])), [entries, texts]);
  const { reply, stop } = useAnswer(sum.name, asked);
  // A field stays where it was found, although what is typed into it would move it to the face.
  const [face] = useState(() =>
    Object.entries(sum.inputs).flatMap(([key, input]) => (isOnFace(input, texts[key] ?? '') ? [key] : [])),
  );
  const problems = reply && !reply.ok ? reply.problems : [];
  const general = problems.filter((problem) => !Object.values(sum.inputs).some((input) => input.word === problem.word));
  const row = ([key, input]: [string, Input]) => (
    <InputRow
      key={key}
      sum={sum}
      name={key}
      input={input}
      text={texts[key] ?? ''}
      problem={problems.find((problem) => problem.word === input.word)?.problem ?? null}
      onType={(text) => onType(key, text)}
    />
  );
  const behind = entries.filter(([key]) => !face.includes(key));
  return (
    <>
      <p className="mb-2 text-small text-faint">{sum.about}</p>
      <div>{entries.filter(([key]) => face.includes(key)).map(row)}</div>
      {behind.length > 0 && (
        <details className="mt-1">
          <summary className="text-small text-faint">{behind.length} more, taken as usual</summary>
          {behind.map(row)}
        </details>
      )}
      {general.map((problem) => (
        <p
          key={printer.message(problem.problem)}
          role="alert"
          className="mt-2 border-l-4 border-amber-ink bg-amber-wash px-3 py-1.5 text-small"
        >
          <Said>{problem.problem}</Said>
        </p>
      ))}
      {stop && (
        <p role="status" className="mt-2 flex items-center gap-2 text-faint">
          At work on this one …
          <Button look="quiet" onClick={stop} aria-label={`Stop ${sum.title}`}>
            Stop
          </Button>
        </p>
      )}
      {reply?.ok && <AnswerView answer={reply.answer} title={sum.title} />}
      {reply?.ok && children?.(reply.answer)}
    </>
  );
}

/** A quick sum as a work card: fields that take what people write, the answer, the picture, the sum, the findings. */
export function SumCard({ card }: { readonly card: DeskCard }) {
  const sum = findSum(card.sum);
  const [putting, setPutting] = useState(false);
  if (!sum) return null;
  return (
    <article aria-label={sum.title} className="tag print-card border border-rule bg-sheet px-4 pt-3 pb-3">
      <CardHeader card={card} sum={sum} onPut={() => setPutting(true)} />
      <SumForm sum={sum} texts={card.texts} onType={(key, text) => desk.type(card.id, key, text)}>
        {({ values }) => putting && <PutIntoPlan sum={sum} values={values} onClose={() => setPutting(false)} />}
      </SumForm>
    </article>
  );
}
