import type { Request } from 'express';
import { Problem } from './problems.ts';

/** A revision as it is sent: what the database can count to has nine digits at least. */
const etag = /^"?(\d{1,9})"?$/;

/**
 * The revision that a save is based on.
 * @throws Problem where it says none
 */
export function revisionOf(req: Request): number {
  const basedOn = etag.exec(req.get('If-Match') ?? '')?.[1];
  if (basedOn !== undefined) return Number(basedOn);
  throw new Problem('needs-revision', 'Send the revision that the change is based on in If-Match, such as "12"');
}
