import type { Sum } from '@glimmer/core/units';

/** A formula with its numbers put in, its symbols and its source. */
export function SumView({ sum }: { readonly sum: Sum }) {
  return (
    <>
      <p className="figures text-faint">{sum.form}</p>
      <p className="figures my-1">
        = {sum.filled} = <strong>{sum.answer}</strong>
      </p>
      <dl className="text-[13px] text-faint">
        {sum.symbols.map((symbol) => (
          <div key={symbol.symbol} className="flex gap-2">
            <dt className="figures w-10 shrink-0">{symbol.symbol}</dt>
            <dd>
              {symbol.meaning}: <span className="figures">{symbol.value}</span>
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-[13px] text-faint">Basis: {sum.source}.</p>
    </>
  );
}
