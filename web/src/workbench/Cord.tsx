import { isOpen, listStageStates, type StageState } from '@glimmer/core/findings';
import { type Stage, stages } from '@glimmer/core/items';
import { NavLink } from 'react-router';
import { usePlan, useReckoned } from '../reckoning/index.ts';
import { stageInfo } from './stageInfo.ts';

const stateWords: Readonly<Record<StageState, string>> = { untouched: 'not begun', open: 'open', settled: 'settled' };

/** One bead: an empty ring, an amber bead with its count, or a lit one with a tick. */
function Bead({ state, count }: { readonly state: StageState; readonly count: number }) {
  return (
    <svg viewBox="0 0 26 26" className="size-6.5" aria-hidden="true">
      <circle
        cx="13"
        cy="13"
        r="10"
        fill={state === 'untouched' ? 'var(--paper)' : state === 'open' ? 'var(--amber-wash)' : 'var(--verdigris)'}
        stroke={state === 'open' ? 'var(--amber-ink)' : state === 'settled' ? 'var(--verdigris)' : 'var(--faint)'}
        strokeWidth="2"
      />
      {state === 'untouched' && <circle cx="13" cy="13" r="2" fill="var(--faint)" />}
      {state === 'settled' && (
        <path
          d="M8 13.4 L11.7 17 L18 9.6"
          fill="none"
          stroke="var(--on-verdigris)"
          strokeWidth="2.4"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
      {state === 'open' && (
        <text
          x="13"
          y="17.4"
          textAnchor="middle"
          fontSize="12.5"
          fontWeight="700"
          fill="var(--amber-ink)"
          className="figures"
        >
          {count}
        </text>
      )}
    </svg>
  );
}

/** The cord: a wire slung from bead to bead through the eight stages. */
export function Cord({ current }: { readonly current: Stage }) {
  const plan = usePlan();
  const { findings, stepsLeft } = useReckoned();
  const states = listStageStates(plan, findings, stepsLeft);
  const slack = stages
    .map((_, i) => `${i === 0 ? 'M0 6 Q' : 'Q'}${i * 100 + (i === 0 ? 25 : 0)} ${i === 0 ? 16 : 26} ${i * 100 + 50} 13`)
    .join(' ');
  return (
    <nav aria-label="Stages" className="relative min-w-0 flex-1 max-[899px]:order-last max-[899px]:basis-full">
      <svg
        viewBox="0 0 800 30"
        preserveAspectRatio="none"
        className="absolute top-0.5 h-7 w-full text-ink"
        aria-hidden="true"
      >
        <path
          d={`${slack} Q785 26 800 6`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.6"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <ol className="relative grid grid-cols-8">
        {stages.map((stage, i) => {
          const count =
            stage === 'bench'
              ? stepsLeft
              : findings.filter((finding) => finding.stage === stage && isOpen(finding)).length;
          return (
            <li key={stage} className="flex justify-center">
              <NavLink
                to={`/plan/${plan.id}/${stage}`}
                data-tip={`${stageInfo[stage].question} (${i + 1})`}
                aria-label={`${i + 1} ${stageInfo[stage].name}: ${stateWords[states[stage]]}${states[stage] === 'open' ? `, ${count}` : ''}`}
                className={`flex min-w-6 flex-col items-center rounded-sm px-2 pb-0.5 max-sm:min-h-11 max-sm:px-0 ${stage === current ? 'font-semibold text-ink' : 'text-faint hover:text-ink'}`}
              >
                <Bead state={states[stage]} count={count} />
                <span
                  className={`border-b-2 text-small leading-5 ${stage === current ? 'border-verdigris forced-colors:border-[Highlight]' : 'border-transparent max-sm:hidden forced-colors:border-[Canvas]'}`}
                >
                  {stageInfo[stage].name}
                </span>
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
