import { type Band, judge, type Message, type QuantityKind } from '@glimmer/core/units';
import { Checkbox, Description, Field, Input, Label, Select, Textarea } from '@headlessui/react';
import { Check } from 'lucide-react';
import { type ReactNode, useEffect, useId, useState } from 'react';
import { WordHelp } from '../help/WordHelp.tsx';
// Past the folder's face, which brings the reckoner with it: the shelf has fields too, and reckons nothing.
import { useHeld } from '../reckoning/useHeld.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { useTyped } from './typed.ts';

/** How every field looks, but for the colour of its edge. */
export const fieldBox = 'w-full min-w-0 rounded-sm border bg-paper px-2 py-1 text-ink placeholder:text-faint';

interface QuantityFieldProps {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly value: number | null;
  readonly band: Band;
  readonly onCommit: (value: number) => void;
  /** Allows an empty field: given back as a clear. */
  readonly onClear?: () => void;
  readonly placeholder?: string;
  /** The value is the maker's own against the sum. */
  readonly overruled?: boolean;
  readonly hint?: ReactNode;
  readonly hideLabel?: boolean;
}

type QuantityAsked = Pick<QuantityFieldProps, 'label' | 'kind' | 'value' | 'band' | 'onCommit' | 'onClear'>;

function isUnusual(kind: QuantityKind, value: number, band: Band): boolean {
  const judged = judge(kind, value, band);
  return judged.ok && judged.didYouMean !== undefined;
}

/** What is typed into a quantity field, how it is judged, and what it makes of the value. */
function useQuantity({ label, kind, value, band, onCommit, onClear }: QuantityAsked) {
  const printer = usePrinter();
  // What is being typed until it is taken or put right; null while the field shows the plan's own value.
  const [typed, setTyped] = useTyped(label);
  const [problem, setProblem] = useState<Message | null>(null);
  const [meant, setMeant] = useState<{ readonly value: number; readonly of: number } | null>(null);
  const [held, hold] = useHeld(value, (next) => (next === null ? onClear?.() : onCommit(next)));
  const own = held === null ? '' : printer.forEditing(kind, held);
  const shown = typed ?? own;
  // A question about an older value must not stand beside a newer one.
  useEffect(() => setMeant((now) => (now && now.of === held ? now : null)), [held]);
  // What is usual may change after it was asked, with the part that the value is for.
  const isAsked = meant !== null && isUnusual(kind, meant.of, band);

  const take = (): void => {
    if (typed === null) return;
    // Typed as it stood there: what is shown is rounded, and must not take the place of what is kept.
    if (typed === own) {
      setTyped(null);
      setProblem(null);
      return;
    }
    if (typed.trim() === '' && onClear) {
      setTyped(null);
      hold(null);
      return;
    }
    const parsed = printer.parse(kind, typed);
    const judged = parsed.ok ? judge(kind, parsed.value, band) : parsed;
    if (!judged.ok) {
      setProblem(judged.problem);
      return;
    }
    setTyped(null);
    setMeant(judged.didYouMean === undefined ? null : { value: judged.didYouMean, of: judged.value });
    if (judged.value !== held) hold(judged.value);
  };
  const type = (text: string | null): void => {
    setTyped(text);
    setProblem(null);
  };
  const mean = (): void => {
    if (meant) hold(meant.value);
    setMeant(null);
  };
  return { printer, typed, shown, problem, meant: isAsked ? meant : null, type, take, giveUp: () => type(null), mean };
}

/** Above a field: its name, whose word of the work opens its meaning. */
export const FieldLabel = ({
  label,
  overruled = false,
  isHidden = false,
}: {
  readonly label: string;
  readonly overruled?: boolean;
  readonly isHidden?: boolean;
}) => {
  const name = (
    <>
      {label}
      {overruled && <span className="font-semibold text-brass"> yours</span>}
    </>
  );
  if (isHidden) return <Label className="sr-only">{name}</Label>;
  return (
    <span className="mb-0.5 flex items-center">
      <Label className="text-small text-faint">{name}</Label>
      <WordHelp label={label} />
    </span>
  );
};

/** A quantity as the maker writes it: read on Enter or on leaving, questioned where it looks like a slip. */
export function QuantityField({
  label,
  kind,
  value,
  band,
  onCommit,
  onClear,
  placeholder,
  overruled = false,
  hint,
  hideLabel = false,
}: QuantityFieldProps) {
  const { printer, typed, shown, problem, meant, type, take, giveUp, mean } = useQuantity({
    label,
    kind,
    value,
    band,
    onCommit,
    ...(onClear ? { onClear } : {}),
  });
  const isWrong = typed !== null && problem !== null;
  return (
    <Field className="min-w-0">
      <FieldLabel label={label} overruled={overruled} isHidden={hideLabel} />
      <Input
        type="text"
        autoComplete="off"
        value={shown}
        placeholder={placeholder}
        data-typing={typed === null ? 'no' : 'yes'}
        invalid={isWrong}
        onChange={(event) => type(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape' && typed !== null) {
            event.stopPropagation();
            giveUp();
          }
        }}
        className={`figures ${fieldBox} ${isWrong ? 'border-brick-ink' : overruled ? 'border-brass' : 'border-edge'}`}
      />
      {isWrong && (
        <Description role="alert" className="mt-0.5 text-small text-brick-ink">
          <Said>{problem}</Said>
        </Description>
      )}
      {meant && typed === null && (
        <p className="mt-0.5 text-small text-amber-ink" role="status">
          Unusual. Did you mean{' '}
          <button type="button" className="font-semibold underline" onClick={mean}>
            {printer.quantity(kind, meant.value)}
          </button>
          ?
        </p>
      )}
      {hint && <Description className="mt-0.5 text-small text-faint">{hint}</Description>}
    </Field>
  );
}

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (value: string) => void;
  readonly most?: number;
  readonly hideLabel?: boolean;
  readonly className?: string;
}

/** A short text that may not be empty: an empty one goes back to what it was, and says so. */
export function TextField({ label, value, onCommit, most = 120, hideLabel = false, className = '' }: TextFieldProps) {
  const [text, setText] = useTyped(label);
  const [problem, setProblem] = useState(false);
  const [held, hold] = useHeld(value, onCommit);
  const take = (): void => {
    if (text === null) return;
    const trimmed = text.trim();
    setProblem(trimmed === '');
    setText(null);
    if (trimmed !== '' && trimmed !== held) hold(trimmed);
  };
  return (
    <Field className={`min-w-0 ${className}`}>
      <Label className={hideLabel ? 'sr-only' : 'mb-0.5 block text-small text-faint'}>{label}</Label>
      <Input
        type="text"
        autoComplete="off"
        maxLength={most}
        data-typing={text === null ? 'no' : 'yes'}
        value={text ?? held}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
        className={`${fieldBox} border-edge`}
      />
      {problem && (
        <p role="alert" className="mt-0.5 text-small text-brick-ink">
          A name can’t be empty; the old one stays.
        </p>
      )}
    </Field>
  );
}

interface ChoiceOption<T extends string> {
  readonly value: T;
  readonly label: string;
  readonly group?: string;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  /** Those of one group stand together under its name. */
  readonly options: readonly ChoiceOption<T>[];
  readonly onChoose: (value: T) => void;
  readonly hideLabel?: boolean;
  readonly hint?: ReactNode;
  readonly overruled?: boolean;
  readonly inline?: boolean;
}

function Options({ options }: { readonly options: readonly ChoiceOption<string>[] }) {
  const groups = [...new Set(options.flatMap(({ group }) => group ?? []))];
  const listed = (of: string | undefined) =>
    options
      .filter(({ group }) => group === of)
      .map(({ value, label }) => (
        <option key={value} value={value} className="bg-sheet text-ink">
          {label}
        </option>
      ));
  return (
    <>
      {listed(undefined)}
      {groups.map((group) => (
        <optgroup key={group} label={group} className="bg-sheet text-ink">
          {listed(group)}
        </optgroup>
      ))}
    </>
  );
}

/** So many letters half a sheet shows of a name, and half a narrow one. */
const LONG = { sheet: 30, narrow: 16 };

/** How wide a field stands whose value is this text: one that half a sheet would cut off has all of it. */
export const widthFor = (text: string): 'always' | 'narrow' | undefined =>
  text.length > LONG.sheet ? 'always' : text.length > LONG.narrow ? 'narrow' : undefined;

/** A field that stands as wide as its `data-wide` says. */
export const wideAsSaid = 'min-w-0 data-[wide=always]:col-span-full max-sm:data-wide:col-span-full';

/** One out of a list. `inline` sets it into a sentence. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChoose,
  hideLabel = false,
  hint,
  overruled = false,
  inline = false,
}: ChoiceProps<T>) {
  const [held, hold] = useHeld(value, onChoose);
  return (
    <Field
      data-wide={inline ? undefined : widthFor(options.find((option) => option.value === held)?.label ?? '')}
      className={inline ? 'inline-block max-w-full' : wideAsSaid}
    >
      <FieldLabel label={label} overruled={overruled} isHidden={hideLabel || inline} />
      <Select
        value={held}
        // The options are the only values that the browser can give back.
        onChange={(event) => hold(event.target.value as T)}
        className={
          inline
            ? 'max-w-full border-b border-dashed border-ink bg-transparent py-0.5 font-semibold text-ink'
            : `${fieldBox} ${overruled ? 'border-brass' : 'border-edge'}`
        }
      >
        <Options options={options} />
      </Select>
      {hint && <Description className="mt-0.5 text-small text-faint">{hint}</Description>}
    </Field>
  );
}

interface TickProps {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** Yes or no. */
export function Tick({ label, checked, onChange }: TickProps) {
  const [held, hold] = useHeld(checked, onChange);
  return (
    <Field className="flex items-center gap-2 py-1">
      <Checkbox
        checked={held}
        onChange={hold}
        className="group grid size-5 shrink-0 place-items-center rounded-sm border border-faint bg-paper data-checked:border-verdigris data-checked:bg-verdigris"
      >
        <Check size={14} className="hidden text-on-verdigris group-data-checked:block" aria-hidden="true" />
      </Checkbox>
      <Label className="cursor-pointer">{label}</Label>
    </Field>
  );
}

interface ShareSliderProps {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** A limit drawn on the scale, such as a ceiling. */
  readonly mark?: number;
  readonly hideLabel?: boolean;
}

/** A share from 0 to 100 % on a ticked scale, with its figure. */
export function ShareSlider({ label, value, onChange, mark, hideLabel = false }: ShareSliderProps) {
  const id = useId();
  const [held, hold] = useHeld(value, onChange);
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-0.5 block text-small text-faint'}>
        {label}
      </label>
      {/* As high as a field, so that its label stands in one line with those beside it. */}
      <div className="flex min-h-7.5 items-center gap-2">
        <div className="relative min-w-0 flex-1 pb-2">
          <input
            id={id}
            type="range"
            min={0}
            max={100}
            step={1}
            value={Math.round(held * 100)}
            onChange={(event) => hold(Number(event.target.value) / 100)}
            className="block w-full accent-verdigris"
          />
          <svg
            viewBox="0 0 100 6"
            preserveAspectRatio="none"
            className="pointer-events-none absolute bottom-0 h-1.5 w-full px-2 text-faint"
            aria-hidden="true"
          >
            {Array.from({ length: 11 }, (_, i) => (
              <path
                key={i}
                d={`M${i * 10} 0 V${i % 5 === 0 ? 6 : 3}`}
                stroke="currentColor"
                strokeWidth="1"
                vectorEffect="non-scaling-stroke"
              />
            ))}
            {mark !== undefined && mark < 1 && (
              <path
                d={`M${mark * 100} 0 V6`}
                stroke="var(--brick-ink)"
                strokeWidth="3"
                vectorEffect="non-scaling-stroke"
              />
            )}
          </svg>
        </div>
        <output htmlFor={id} className="figures w-12 text-right">
          {Math.round(held * 100)} %
        </output>
      </div>
    </div>
  );
}

interface LongTextProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly rows?: number;
}

/** Several lines of text. */
export function LongText({ label, value, onChange, rows = 3 }: LongTextProps) {
  const [held, hold] = useHeld(value, onChange);
  return (
    <Field>
      <Label className="mb-0.5 block text-small text-faint">{label}</Label>
      <Textarea
        rows={rows}
        maxLength={4000}
        value={held}
        onChange={(event) => hold(event.target.value)}
        className={`${fieldBox} border-edge`}
      />
    </Field>
  );
}
