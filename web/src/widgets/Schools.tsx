import type { School } from '@glimmer/core/choice';

/** Where makers differ: each way with when it is sound, and what is done here. */
export function Schools({ schools }: { readonly schools: readonly School[] }) {
  return (
    <details className="no-print mt-4">
      <summary className="cursor-pointer font-semibold text-verdigris">Where makers differ</summary>
      <dl className="mt-1 text-small">
        {schools.map(({ question, ways, here }) => (
          <div key={question} className="stitch py-1.5 first:border-t-0">
            <dt className="font-semibold">{question}</dt>
            <dd>
              <ul className="list-disc pl-5">
                {ways.map(({ way, when }) => (
                  <li key={way}>
                    <em>{way}</em>: {when}
                  </li>
                ))}
              </ul>
              <p className="text-faint">Here: {here}</p>
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
