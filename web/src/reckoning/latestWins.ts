/**
 * One thing at a time, and of what is asked meanwhile only the newest: `work` is begun for what was asked first, then for
 * what is newest when it is done.
 * @param work its promise is waited for; what it throws is its own to tell
 */
export function latestWins<T>(work: (asked: T) => Promise<void>): (asked: T) => void {
  let waiting: { readonly asked: T } | null = null;
  let isBusy = false;
  const next = (): void => {
    if (isBusy || waiting === null) return;
    const { asked } = waiting;
    waiting = null;
    isBusy = true;
    void work(asked).finally(() => {
      isBusy = false;
      next();
    });
  };
  return (asked) => {
    waiting = { asked };
    next();
  };
}
