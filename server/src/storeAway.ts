/** Errors of the database driver that mean "not there" rather than "refused". */
const awayCodes = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOTFOUND', '57P01', '57P03', '08006', '08001']);

interface DriverError {
  readonly code?: unknown;
  readonly cause?: unknown;
  readonly message?: unknown;
}
const isError = (error: unknown): error is DriverError => typeof error === 'object' && error !== null;

/** Whether an error means that the database is not there just now. */
export function isStoreAway(error: unknown): boolean {
  if (!isError(error)) return false;
  const { code, cause, message } = error;
  if (typeof code === 'string' && awayCodes.has(code)) return true;
  if (typeof message === 'string' && /connection terminated|timeout exceeded when trying to connect/i.test(message))
    return true;
  return cause !== undefined && isStoreAway(cause);
}

/** What is wrong with a database that can’t be opened at all, in one line, without the question that it was asked. */
export function sayWhyClosed(error: unknown): string {
  let at: unknown = error;
  while (isError(at) && isError(at.cause)) at = at.cause;
  const said = isError(at) ? String(at.message ?? at.code ?? '') : String(at);
  const first =
    isError(at) && 'errors' in at && Array.isArray(at.errors) ? String(at.errors[0]?.message ?? said) : said;
  return (first || said).split('\n')[0] ?? '';
}
