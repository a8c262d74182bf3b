const format = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
});

/** A moment as it is read, in the time of this machine. @example "26 Nov 2026, 14:05" */
export const sayTime = (iso: string): string => format.format(new Date(iso));
