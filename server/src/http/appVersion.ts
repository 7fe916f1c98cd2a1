import { VERSION_HEADER } from '@calm/contract';
import type { RequestHandler } from 'express';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const FIRST_SCRIPT = /<script type="module"[^>]*src="\/assets\/([\w.-]+)"/;

/**
 * Says with each answer which version of the pages is served: pages from before an update then know that they are. The
 * name of a build's first script is its version; it carries a hash of everything.
 *
 * @param webDir built web files; null says nothing
 */
export function tellsVersion(webDir: string | null): RequestHandler {
  const version =
    webDir && FIRST_SCRIPT.exec(readFileSync(join(webDir, 'index.html'), 'utf8'))?.[1];
  return (_req, res, next) => {
    if (version) res.set(VERSION_HEADER, version);
    next();
  };
}
