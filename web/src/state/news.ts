import { once } from './once.ts';

/** What the server tells of, in one stream for the whole page: a browser allows few connections to one place. */
export const news = once(() => new EventSource('/api/events'));
