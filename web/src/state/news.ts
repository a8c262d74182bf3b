let source: EventSource | null = null;

/** What the server tells of, in one stream for the whole page: a browser allows few connections to one place. */
export function news(): EventSource {
  source ??= new EventSource('/api/events');
  return source;
}
