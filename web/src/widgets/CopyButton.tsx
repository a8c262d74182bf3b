import { Copy } from 'lucide-react';
import { Button } from './Button.tsx';
import { tell } from './Toasts.tsx';

/** Copies a text, to be put in elsewhere. */
export function CopyButton({ name, text }: { readonly name: string; readonly text: () => string }) {
  const copy = (): void => {
    const copied = text();
    navigator.clipboard.writeText(copied).then(
      () => tell(copied.includes('\n') ? `Copied ${name}` : `Copied: ${copied}`),
      () => tell('The browser lets nothing be copied: mark it and copy it by hand', { gravity: 'trouble' }),
    );
  };
  return (
    <Button look="quiet" onClick={copy}>
      <Copy size={15} />
      Copy {name}
    </Button>
  );
}
