import express, { Router, type RequestHandler } from 'express';
import staticSmall from 'express-static-gzip';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Stands in the built page where each answer's own nonce goes. */
const NONCE_MARK = '__CSP_NONCE__';

/**
 * The built web application. Hashed files are sent as small as the build made them and kept for a year; the page is made again with a nonce,
 * so that the Content-Security-Policy needs no 'unsafe-inline'.
 */
export function webFiles(webDir: string): Router {
  const page = readFileSync(join(webDir, 'index.html'), 'utf8');
  const sendPage: RequestHandler = (_req, res) => {
    res
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(page.replaceAll(NONCE_MARK, String(res.locals['cspNonce'])));
  };
  const web = Router();
  web.use(
    '/assets',
    staticSmall(join(webDir, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  );
  web.get('/', sendPage);
  web.use(express.static(webDir, { index: false, maxAge: '1h' }));
  web.get('/*path', sendPage);
  return web;
}
