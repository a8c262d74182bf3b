import type { ButtonHTMLAttributes, ReactNode } from 'react';

type Look = 'plain' | 'main' | 'quiet';

const looks: Readonly<Record<Look, string>> = {
  plain: 'border border-rule bg-sheet hover:bg-pressed disabled:text-faint disabled:hover:bg-sheet',
  main: 'border border-verdigris bg-verdigris text-on-verdigris hover:opacity-90 disabled:opacity-50',
  quiet: 'border border-transparent text-verdigris hover:bg-pressed disabled:text-faint disabled:hover:bg-transparent',
};

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: Look;
  readonly children: ReactNode;
}

/** A button in the three looks there are. */
export function Button({ look = 'plain', className = '', children, ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      {...rest}
      className={`no-print inline-flex min-h-8 items-center justify-center gap-1.5 rounded-sm px-2.5 py-1 text-left font-medium ${looks[look]} ${className}`}
    >
      {children}
    </button>
  );
}
