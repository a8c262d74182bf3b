import { AwayError } from '../state/api.ts';

/** What went wrong, for a notice; a server that is away says so. */
export const sayTrouble = (error: unknown): string =>
  error instanceof AwayError
    ? 'The server does not answer; try again when it is back'
    : error instanceof Error
      ? error.message
      : String(error);
