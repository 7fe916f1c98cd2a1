import type { RouteDefinition } from '@calm/contract';
import express, { type RequestHandler } from 'express';

/** The largest body of a route that says nothing else. */
const USUAL = '32kb';
/** The largest of one that asks for nobody to be signed in. */
const ANYBODYS = '4kb';
/** So deep may objects and lists stand in each other; the deepest body of the table, a published week, has 9. */
const DEEPEST = 24;

/**
 * Reads the JSON body of a route. It comes after who may: nothing is read of whoever may not. Bodies are taken as
 * they are, never unpacked, as a few kilobytes unpack to gigabytes; and one that nests too deep is refused before
 * anything is made of it, as it costs a thousand times its size.
 */
export function requestBody({ method, permission, bodyLimit }: RouteDefinition): RequestHandler {
  if (method === 'get' || method === 'delete') return (_req, _res, next) => next();
  return express.json({
    limit: bodyLimit ?? (permission === 'public' ? ANYBODYS : USUAL),
    inflate: false,
    verify: (_req, _res, bytes) => {
      if (nestingOf(bytes) > DEEPEST) throw new TooNested();
    },
  });
}

/** A body whose lists and objects stand too deep in each other. */
export class TooNested extends Error {
  readonly status = 400;
}

const [QUOTE, ESCAPE, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [...'"\\[]{}'].map(
  (sign) => sign.charCodeAt(0),
);

/**
 * How deep a JSON text nests, from its bytes alone; as deep as is looked for and no further.
 *
 * @example nestingOf(Buffer.from('{"a":[1,"]]"]}')) // 2
 */
function nestingOf(bytes: Uint8Array): number {
  let [depth, deepest, isInText] = [0, 0, false];
  for (let i = 0; i < bytes.length && deepest <= DEEPEST; i += 1) {
    const byte = bytes[i];
    if (isInText) {
      if (byte === ESCAPE) i += 1;
      else if (byte === QUOTE) isInText = false;
    } else if (byte === QUOTE) isInText = true;
    else if (byte === OPEN_LIST || byte === OPEN_OBJECT) deepest = Math.max(deepest, (depth += 1));
    else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth -= 1;
  }
  return deepest;
}
