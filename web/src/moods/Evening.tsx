import { bands, type Design } from '@glimmer/core/plan';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { editDesign } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';

const clampMinutes = (minutes: number): number =>
  Math.min(bands.minutes.most, Math.max(bands.minutes.least, Math.round(minutes * 10) / 10));

/** Moves the end of a part: what it gains the next one gives; the last has none and grows or shrinks by itself. */
function moveEnd(stepId: string, byMinutes: number, merge: string): void {
  editDesign(
    (draft) => {
      const { course } = draft.moods;
      const at = course.findIndex((each) => each.id === stepId);
      const [part, next] = [course[at], course[at + 1]];
      if (!part) return;
      const wanted = clampMinutes(part.minutes + byMinutes);
      if (!next) {
        part.minutes = wanted;
        return;
      }
      const both = part.minutes + next.minutes;
      const minutes = clampMinutes(Math.min(wanted, both - bands.minutes.least));
      part.minutes = minutes;
      next.minutes = clampMinutes(both - minutes);
    },
    { merge },
  );
}

interface EndProps {
  readonly stepId: string;
  readonly minutes: number;
  readonly name: string;
  readonly minutesPerPx: () => number;
}

/** The end of a part of the evening, to be dragged, or moved by arrow keys. */
function End({ stepId, minutes, name, minutesPerPx }: EndProps) {
  const drag = useRef<{ fromPx: number; perPx: number; done: number; key: string } | null>(null);
  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    // The scale of the band is held while the hand moves, or its end would run away from it.
    drag.current = { fromPx: event.clientX, perPx: minutesPerPx(), done: 0, key: nanoid(6) };
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const now = drag.current;
    if (!now) return;
    const wanted = Math.round((event.clientX - now.fromPx) * now.perPx);
    if (wanted === now.done) return;
    moveEnd(stepId, wanted - now.done, `evening ${now.key}`);
    now.done = wanted;
  };
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    const sense = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (sense === undefined) return;
    event.preventDefault();
    moveEnd(stepId, sense * (event.shiftKey ? 10 : 1), `evening keys ${stepId}`);
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: an hr can't be moved; a focusable separator with a value is the pattern for it
    <div
      role="separator"
      tabIndex={0}
      aria-orientation="vertical"
      aria-label={`End of ${name}`}
      aria-valuenow={minutes}
      aria-valuemin={bands.minutes.least}
      aria-valuemax={bands.minutes.most}
      aria-valuetext={`${minutes} minutes`}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={() => {
        drag.current = null;
      }}
      onKeyDown={onKeyDown}
      className="absolute inset-y-0 right-0 z-10 w-2.5 cursor-ew-resize touch-none border-r-[3px] border-brass"
    />
  );
}

const lengthOf = (course: Design['moods']['course']): number => course.reduce((sum, step) => sum + step.minutes, 0);

const nameOfMood = ({ moods }: Design, id: string): string => moods.list.find((mood) => mood.id === id)?.name ?? id;

/** The parts of the evening side by side, as long as they last and as high as they draw. */
function Band() {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const band = useRef<HTMLDivElement>(null);
  const { course } = design.moods;
  const total = lengthOf(course);
  const mostA = Math.max(1e-6, ...assessment.course.map((stretch) => stretch.meanA));
  const nameOf = (id: string): string => nameOfMood(design, id);
  return (
    <div ref={band} className="mb-1 flex h-16 w-full border border-rule bg-paper">
      {course.map((step, i) => {
        const stretch = assessment.course[i];
        return (
          <div
            key={step.id}
            className="relative h-full min-w-3 overflow-hidden"
            style={{ flexGrow: step.minutes, flexBasis: 0 }}
          >
            <span
              className={`absolute inset-x-0 bottom-0 ${i % 2 === 0 ? 'bg-pressed' : 'bg-rule'}`}
              style={{ height: `${((stretch?.meanA ?? 0) / mostA) * 100}%` }}
            />
            <span className="relative block px-1.5 text-small leading-5 whitespace-nowrap">
              {nameOf(step.moodId)}
              <span className="figures block text-tiny text-faint">
                {printer.quantity('timeMin', step.minutes)}
                {stretch && `, ${printer.quantity('currentA', stretch.meanA)}`}
              </span>
            </span>
            <End
              stepId={step.id}
              minutes={step.minutes}
              name={nameOf(step.moodId)}
              minutesPerPx={() => total / Math.max(1, band.current?.clientWidth ?? 1)}
            />
          </div>
        );
      })}
    </div>
  );
}

/** One part of the evening, in words. */
function Part({ step, index }: { readonly step: Design['moods']['course'][number]; readonly index: number }) {
  const { list } = useSheet().design.moods;
  return (
    <li className="grid grid-cols-[1fr_7rem_auto] items-center gap-2 py-0.5">
      <Choice
        hideLabel
        label={`Mood ${index + 1} of the evening`}
        value={step.moodId}
        options={list.map((mood) => ({ value: mood.id, label: mood.name }))}
        onChoose={(value) =>
          editDesign((draft) => {
            const found = draft.moods.course.find((each) => each.id === step.id);
            if (found) found.moodId = value;
          })
        }
      />
      <QuantityField
        hideLabel
        label={`How long, ${index + 1}`}
        kind="timeMin"
        value={step.minutes}
        band={bands.minutes}
        onCommit={(value) =>
          editDesign((draft) => {
            const found = draft.moods.course.find((each) => each.id === step.id);
            if (found) found.minutes = value;
          })
        }
      />
      <Button
        look="quiet"
        aria-label={`Remove part ${index + 1} of the evening`}
        onClick={() =>
          editDesign((draft) => {
            draft.moods.course = draft.moods.course.filter((each) => each.id !== step.id);
          })
        }
      >
        <Trash2 size={15} />
      </Button>
    </li>
  );
}

/** The evening as a band of moods: the ends of its parts are moved by hand, and the night run takes its load from it. */
export function Evening({ moodId }: { readonly moodId: string | undefined }) {
  const printer = usePrinter();
  const { design } = useSheet();
  const { course } = design.moods;
  const total = lengthOf(course);
  return (
    <>
      {course.length > 0 && (
        <>
          <Band />
          <p className="mb-2 text-small text-faint">
            {printer.quantity('timeMin', total)} in all; as high as each part draws in the mean. Drag the ends, or move
            them by arrow keys; the night in Power is run with this.
          </p>
        </>
      )}
      <ul>
        {course.map((step, i) => (
          <Part key={step.id} step={step} index={i} />
        ))}
      </ul>
      {course.length === 0 && (
        <p className="text-faint">
          Without a course the first mood is taken for the whole evening. The course comes round again until the pack is
          spent.
        </p>
      )}
      <Button
        look="quiet"
        onClick={() =>
          editDesign((draft) => {
            draft.moods.course.push({ id: nanoid(8), moodId: moodId ?? draft.moods.list[0]?.id ?? '', minutes: 30 });
          })
        }
      >
        Add a part
      </Button>
    </>
  );
}
