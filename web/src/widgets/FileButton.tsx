import { type ComponentProps, type ReactNode, useRef } from 'react';
import { Button } from './Button.tsx';

interface FileButtonProps {
  /** What is asked for, to those who don't see the button. */
  readonly label: string;
  /** Kinds of file, as the browser's chooser takes them. */
  readonly accept: string;
  readonly look?: ComponentProps<typeof Button>['look'];
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

/** A button that asks for a file. The same file may be chosen again. */
export function FileButton({ label, accept, look, onFile, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...(look ? { look } : {})} onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
