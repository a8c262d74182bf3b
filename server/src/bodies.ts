import type { RequestHandler } from 'express';
import { Problem } from './problems.ts';

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

/** @throws Problem where a body nests deeper or has more fields than any plan */
export function checkBody(body: Uint8Array): void {
  const { depth, fields } = measureJson(body);
  if (depth > mostOfBody.depth)
    throw new Problem('too-large', `The body nests ${depth} levels deep; a plan nests ${mostOfBody.depth} at most`);
  if (fields > mostOfBody.fields)
    throw new Problem('too-large', `The body has ${fields} fields; a plan has ${mostOfBody.fields} at most`);
}

/** A body that is sent must be JSON. */
export const wantJson: RequestHandler = (req, _res, next) => {
  const hasBody = req.headers['content-length'] !== undefined || req.headers['transfer-encoding'] !== undefined;
  if (hasBody && req.get('content-length') !== '0' && !req.is(['json', '+json']))
    throw new Problem('wrong-kind', `Send JSON (application/json); got ${req.get('content-type') ?? 'no kind at all'}`);
  next();
};
