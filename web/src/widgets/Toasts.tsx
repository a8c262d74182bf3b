import * as Toast from '@radix-ui/react-toast';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { create } from 'zustand';

interface Message {
  readonly id: number;
  readonly text: string;
  readonly gravity: 'said' | 'trouble';
  readonly undo: (() => void) | null;
}

const useMessages = create<{ readonly messages: readonly Message[]; readonly next: number }>()(() => ({
  messages: [],
  next: 1,
}));

/** Says something in passing; `undo` puts a button beside it. */
export function tell(
  text: string,
  options: { readonly gravity?: Message['gravity']; readonly undo?: () => void } = {},
): void {
  useMessages.setState(({ messages, next }) => ({
    messages: [
      ...messages.slice(-2),
      { id: next, text, gravity: options.gravity ?? 'said', undo: options.undo ?? null },
    ],
    next: next + 1,
  }));
}

const dismiss = (id: number): void =>
  useMessages.setState(({ messages }) => ({ messages: messages.filter((message) => message.id !== id) }));

/** Where messages in passing appear. */
export function ToastShelf({ children }: { readonly children: ReactNode }) {
  const messages = useMessages((state) => state.messages);
  return (
    <Toast.Provider duration={9000} swipeDirection="right">
      {children}
      {messages.map((message) => (
        <Toast.Root
          key={message.id}
          onOpenChange={(open) => !open && dismiss(message.id)}
          className={`flex items-start gap-3 border-l-4 bg-sheet px-3 py-2 ring-1 ring-rule ${message.gravity === 'trouble' ? 'border-brick-ink' : 'border-verdigris'}`}
        >
          <Toast.Description className="min-w-0 flex-1 break-words">{message.text}</Toast.Description>
          {message.undo && (
            <Toast.Action
              altText="Undo with Ctrl+Z"
              onClick={message.undo}
              className="font-semibold text-verdigris underline"
            >
              Undo
            </Toast.Action>
          )}
          <Toast.Close aria-label="Dismiss" className="text-faint">
            <X size={16} />
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="no-print fixed right-4 bottom-24 z-50 flex w-96 max-w-[90vw] flex-col gap-2" />
    </Toast.Provider>
  );
}
