import { fingerprint } from '@glimmer/core/exports';
import { spokenBy, type Told } from '@glimmer/core/motion';
import { saysAtBaud } from '@glimmer/core/parts';
import { controlsOf } from '@glimmer/core/plan';
import { Cable, CircleAlert, CircleCheck, Unplug } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { Button } from '../widgets/Button.tsx';
import { FigureLine, Section } from '../widgets/Section.tsx';
import { listen, stopListening, useBoardLine } from './boardLine.ts';
import { serialInterface, standInPort } from './boardPort.ts';

/** Whether the program on the board is that of this plan. */
function MarkLine({ heard, wanted }: { readonly heard: string | null; readonly wanted: string }) {
  if (heard === null)
    return (
      <p className="text-faint">
        Nothing heard of its mark yet: it is said as the board starts. Press its reset, or plug it in again.
      </p>
    );
  return heard === wanted ? (
    <p className="flex items-center gap-1.5 text-verdigris">
      <CircleCheck size={16} aria-hidden />
      <span>
        It holds this plan as it stands, mark <span className="figures">{heard}</span>.
      </span>
    </p>
  ) : (
    <p role="alert" className="border-l-4 border-amber-ink bg-amber-wash px-3 py-1.5">
      <CircleAlert size={16} className="mr-1.5 inline text-amber-ink" aria-hidden />
      It holds mark <span className="figures">{heard}</span>; this plan has <span className="figures">{wanted}</span>.
      One of them is older: take the program out and load it again, or open the plan that was loaded.
    </p>
  );
}

/** What was heard, in words, with the lines themselves. */
function Heard({ mark }: { readonly mark: string }) {
  const line = useBoardLine();
  return (
    <>
      <MarkLine heard={line.mark} wanted={mark} />
      <div className="my-1.5">
        {line.mood !== null && (
          <FigureLine label="Mood" value={<span className="font-sans">{line.mood || 'none: dark'}</span>} />
        )}
        {line.held !== null && (
          <FigureLine
            label="Light"
            value={line.held === 100 ? <span className="font-sans">as the mood asks</span> : `held to ${line.held} %`}
          />
        )}
        {line.charge !== null && <FigureLine label="Charge, as its converter reads it" value={`${line.charge} %`} />}
      </div>
      <pre
        role="log"
        aria-label="What the board says"
        className="figures h-32 overflow-y-auto border border-rule bg-paper px-2 py-1 text-tiny leading-5"
      >
        {line.lines.map((each) => `${each}\n`).join('')}
      </pre>
    </>
  );
}

interface WaysProps {
  readonly mark: string;
  readonly told: Told;
  readonly baud: number;
}

/** How a board is listened to: over the browser’s serial interface, or a stand-in for it. */
function Ways({ mark, told, baud }: WaysProps) {
  const serial = serialInterface();
  const ask = async (): Promise<void> => {
    // Leaving the browser’s own list is no trouble.
    const port = await serial?.requestPort().catch(() => undefined);
    if (port) await listen(port, baud, false);
  };
  return (
    <>
      <p className="mb-2 text-faint">
        {serial
          ? 'A board whose program came from here says its mark, each mood, what its limiter holds back, and the charge. Put it on its cable, lights unplugged.'
          : 'This browser has no serial interface, so a board on a cable can’t be heard here. The stand-in says what one would.'}
      </p>
      <div className="flex flex-wrap gap-2">
        {serial && (
          <Button look="main" onClick={() => void ask()}>
            <Cable size={16} />
            Listen to the board
          </Button>
        )}
        <Button onClick={() => void listen(standInPort(mark, told), baud, true)}>Listen to a stand-in</Button>
      </div>
    </>
  );
}

/** The board on its cable: what its program says, against this plan. */
export function BoardReader() {
  const { plan, design, assessment } = useSheet();
  const { state, isStandIn, trouble } = useBoardLine();
  const mark = useMemo(() => fingerprint(plan.design), [plan.design]);
  useEffect(() => () => void stopListening(), []);
  const talks = assessment.boards.flatMap((board) => {
    const given = assessment.pins.find((each) => each.board.id === board.id)?.plan.given ?? [];
    const baud = saysAtBaud(
      board.part,
      given.map(({ pin }) => pin.name),
    );
    return baud === null ? [] : [{ board, baud }];
  });
  const [first] = talks;
  if (!first) return null;
  const told = spokenBy(
    design,
    controlsOf(design).filter((control) => talks.length < 2 || control.board === first.board.id),
  );
  return (
    <Section title="The board on its cable">
      {trouble !== null && (
        <p role="alert" className="mb-2 border-l-4 border-brick-ink bg-brick-wash px-3 py-1.5">
          {trouble}
        </p>
      )}
      {state === 'apart' ? (
        <Ways mark={mark} told={told} baud={first.baud} />
      ) : (
        <>
          <div className="mb-1 flex items-center justify-between gap-2">
            <span role="status">{isStandIn ? 'Listening to a stand-in for the board' : 'Listening to the board'}</span>
            <Button look="quiet" onClick={() => void stopListening()}>
              <Unplug size={16} />
              Leave it
            </Button>
          </div>
          <Heard mark={mark} />
        </>
      )}
    </Section>
  );
}
