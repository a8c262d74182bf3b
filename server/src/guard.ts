import type { RequestHandler } from 'express';
import { Problem } from './problems.ts';

const loopback: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostnameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** The host of an address such as "http://localhost:4680"; empty where it is none. */
function hostOf(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return '';
  }
}

/**
 * Lets in only what asks for this machine by its own name: a page under a foreign name that leads to loopback could
 * otherwise read and write the plans. What a page asks must come from this very address.
 */
export const guardHosts: RequestHandler = (req, _res, next) => {
  const host = req.get('host') ?? '';
  if (!loopback.has(hostnameOf(host)))
    throw new Problem(
      'foreign-host',
      `This server is for this machine alone; open it as http://localhost, not ${host}`,
    );
  const origin = req.get('origin');
  if (origin !== undefined && hostOf(origin) !== host.toLowerCase())
    throw new Problem('foreign-host', `A page of ${origin} may not use this server`);
  next();
};
