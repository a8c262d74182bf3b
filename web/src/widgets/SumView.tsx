import type { Sum } from '@glimmer/core/units';
import { Said } from '../units/Said.tsx';

/** A formula with its numbers put in, its symbols and its source. */
export function SumView({ sum }: { readonly sum: Sum }) {
  return (
    <>
      <p className="figures text-faint">{sum.form}</p>
      <p className="figures my-1">
        = <Said>{sum.filled}</Said> ={' '}
        <strong>
          <Said>{sum.answer}</Said>
        </strong>
      </p>
      <dl className="text-small text-faint">
        {sum.symbols.map((symbol) => (
          <div key={symbol.symbol} className="flex gap-2">
            <dt className="figures w-10 shrink-0">{symbol.symbol}</dt>
            <dd>
              {symbol.meaning}:{' '}
              <span className="figures">
                <Said>{symbol.value}</Said>
              </span>
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-small text-faint">Basis: {sum.source}.</p>
    </>
  );
}
