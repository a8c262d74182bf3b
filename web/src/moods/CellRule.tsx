import { useHeld } from '../reckoning/index.ts';

const counts = [0, 1, 2, 3, 4, 5, 6, 7, 8] as const;

/** Numbers of living neighbours, from 0 to 8, to be pressed in and out. */
export function CellRule({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  /** Counts of living neighbours. */
  readonly value: readonly number[];
  readonly onChange: (value: readonly number[]) => void;
}) {
  const [held, hold] = useHeld(value, onChange);
  return (
    <fieldset className="min-w-0">
      <legend className="mb-0.5 text-small text-faint">{label} … neighbours</legend>
      <div className="flex">
        {counts.map((count) => {
          const isIn = held.includes(count);
          return (
            <button
              key={count}
              type="button"
              aria-pressed={isIn}
              aria-label={`${label} ${count} neighbours`}
              onClick={() => hold(counts.filter((each) => (each === count ? !isIn : held.includes(each))))}
              className={`figures size-6 border border-l-0 border-rule text-small first:border-l ${isIn ? 'bg-verdigris text-on-verdigris' : 'bg-paper'}`}
            >
              {count}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
