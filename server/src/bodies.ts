import type { PlanProblem } from '@glimmer/core/plan/reading';
import type { Request, RequestHandler } from 'express';
import { type PlanToKeep, readPlanBody } from './pictures.ts';
import { Problem, refusePlan } from './problems.ts';

/** What a body may hold before it is parsed: more is no plan, and would keep everyone else waiting. */
export const mostOfBody = { bytes: 16 * 1024 * 1024, depth: 60, fields: 400_000 } as const;

const QUOTE = 34;
const BACKSLASH = 92;
const COLON = 58;
const isOpening = (byte: number): boolean => byte === 123 || byte === 91;
const isClosing = (byte: number): boolean => byte === 125 || byte === 93;

/** How deep a JSON text nests and how many fields it has, counted byte by byte without parsing it. */
export function measureJson(text: Uint8Array): { readonly depth: number; readonly fields: number } {
  let [depth, deepest, fields] = [0, 0, 0];
  let inText = false;
  for (let i = 0; i < text.length; i += 1) {
    const byte = text[i] ?? 0;
    if (inText) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) inText = false;
    } else if (byte === QUOTE) inText = true;
    else if (isOpening(byte)) {
      depth += 1;
      deepest = Math.max(deepest, depth);
    } else if (isClosing(byte)) depth -= 1;
    else if (byte === COLON) fields += 1;
  }
  return { depth: deepest, fields };
}

/** A body as JSON, or why it is none that can be kept here. */
type Parsed = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly trouble: Trouble };
type Trouble = { readonly code: 'too-large' | 'bad-request'; readonly detail: string };

function parseBody(body: Uint8Array): Parsed {
  const { depth, fields } = measureJson(body);
  const tooMuch =
    depth > mostOfBody.depth
      ? `The body nests ${depth} levels deep; a plan nests ${mostOfBody.depth} at most`
      : fields > mostOfBody.fields
        ? `The body has ${fields} fields; a plan has ${mostOfBody.fields} at most`
        : null;
  if (tooMuch !== null) return { ok: false, trouble: { code: 'too-large', detail: tooMuch } };
  try {
    return { ok: true, value: JSON.parse(new TextDecoder().decode(body)) };
  } catch {
    return {
      ok: false,
      trouble: { code: 'bad-request', detail: 'The body is not JSON; it may have been cut short' },
    };
  }
}

/** The body of a request as it came; none is an empty one. */
export const bodyOf = (req: Request): Uint8Array => (req.body instanceof Uint8Array ? req.body : new Uint8Array(0));

/** @throws Problem where a body is not JSON, or more of it than anything that is kept here */
export function jsonOf(req: Request): unknown {
  const body = bodyOf(req);
  if (body.length === 0) return {};
  const parsed = parseBody(body);
  if (!parsed.ok) throw new Problem(parsed.trouble.code, parsed.trouble.detail);
  return parsed.value;
}

/** What was made of a body that should be a plan: it can be told of from one thread to another. */
type BodyRead =
  | { readonly ok: true; readonly plan: PlanToKeep }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] }
  | { readonly ok: false; readonly trouble: Trouble };

/** Reads a body that should be a plan: measured first, then parsed, then checked. */
export function readBody(body: Uint8Array): BodyRead {
  const parsed = body.length === 0 ? ({ ok: true, value: {} } as const) : parseBody(body);
  return parsed.ok ? readPlanBody(parsed.value) : parsed;
}

/** A larger body is read aside, so that nobody else waits for it. */
const READ_HERE_BYTES = 128 * 1024;

/** @throws Problem where the body is no plan that can be kept */
export async function planOf(req: Request, readAside: (body: Uint8Array) => Promise<BodyRead>): Promise<PlanToKeep> {
  const body = bodyOf(req);
  const read = body.length > READ_HERE_BYTES ? await readAside(body) : readBody(body);
  if (read.ok) return read.plan;
  throw 'problems' in read ? refusePlan(read.problems) : new Problem(read.trouble.code, read.trouble.detail);
}

/** A body that is sent must be JSON; an archive is a ZIP. */
export const wantJson: RequestHandler = (req, _res, next) => {
  if (req.path === '/api/archive') {
    next();
    return;
  }
  const hasBody = req.headers['content-length'] !== undefined || req.headers['transfer-encoding'] !== undefined;
  if (hasBody && req.get('content-length') !== '0' && !req.is(['json', '+json']))
    throw new Problem('wrong-kind', `Send JSON (application/json); got ${req.get('content-type') ?? 'no kind at all'}`);
  next();
};
