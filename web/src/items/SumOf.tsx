import type { Item } from '@glimmer/core/plan';
import { hasSum, sumOfField } from '@glimmer/core/sums';
import type { Band, QuantityKind } from '@glimmer/core/units';
import { Sigma } from 'lucide-react';
import { lazy, type ReactNode, Suspense } from 'react';
import { create } from 'zustand';

/** What a field takes that is no row of its kind. */
export interface Takes {
  readonly quantity: QuantityKind;
  readonly band: Band;
}

interface Opened {
  /** Of a field of an item, or of a wire. */
  readonly of: { readonly itemId: string; readonly field: string } | { readonly runId: string };
  /** Of the field, as it stands there. */
  readonly label: string;
  /** Takes what the sum found; null where the field is set as its row says. */
  readonly onBack: ((value: number) => void) | null;
  /** Undefined where its row says. */
  readonly takes?: Takes | undefined;
}

const useOpened = create<{ readonly opened: Opened | null }>()(() => ({ opened: null }));
const close = (): void => useOpened.setState({ opened: null });

// The sums come only when one is asked for: they are as large as the sheets.
const FieldSum = lazy(() => import('../sums/FieldSum.tsx').then(({ FieldSum: sum }) => ({ default: sum })));

interface SumOfProps {
  readonly item: Item;
  readonly field: string;
  /** Of the field, as it stands there. */
  readonly label: string;
  readonly onBack?: (value: number) => void;
  readonly takes?: Takes;
  readonly children: ReactNode;
}

/** A field with the quick sum that answers it one press away; the bare field where there is none. */
export function SumOf({ item, field, label, onBack, takes, children }: SumOfProps) {
  const key = `${item.kind}.${field}`;
  if (!hasSum(key)) return children;
  return (
    <div className="relative min-w-0 has-data-[wide=always]:col-span-full max-sm:has-data-wide:col-span-full [&>[data-headlessui-state]>:first-child]:pr-6 [&>:not([data-headlessui-state],button)]:pr-7">
      {children}
      <button
        type="button"
        className="no-print absolute -top-1 right-0 flex size-6 items-center justify-center rounded-sm text-verdigris hover:bg-verdigris-wash"
        aria-label={`Quick sum of ${item.name}: ${sumOfField[key].replaceAll('-', ' ')}`}
        data-tip="Its quick sum, asked with what the plan says"
        onClick={() =>
          useOpened.setState({ opened: { of: { itemId: item.id, field }, label, onBack: onBack ?? null, takes } })
        }
      >
        <Sigma size={15} aria-hidden />
      </button>
    </div>
  );
}

/** The sum of a wire, one press away from its gauge. */
export function SumOfRun({
  runId,
  name,
  onBack,
}: {
  readonly runId: string;
  readonly name: string;
  readonly onBack: (gaugeAwg: number) => void;
}) {
  return (
    <button
      type="button"
      className="no-print flex size-6 items-center justify-center rounded-sm text-verdigris hover:bg-verdigris-wash"
      aria-label={`Quick sum of ${name}: wire`}
      data-tip="Its quick sum, asked with what the plan says"
      onClick={() => useOpened.setState({ opened: { of: { runId }, label: 'Gauge', onBack } })}
    >
      <Sigma size={15} aria-hidden />
    </button>
  );
}

/** The drawer in which a quick sum is made out of a field. */
export function FieldSumDrawer() {
  const { opened } = useOpened();
  if (!opened) return null;
  return (
    <Suspense fallback={null}>
      <FieldSum key={JSON.stringify(opened.of)} {...opened} onClose={close} />
    </Suspense>
  );
}
