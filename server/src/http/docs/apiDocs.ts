import { Router } from 'express';
import { readFileSync } from 'node:fs';
import { OPEN_API_FILE } from '../../resources';
import { docsPage, type OpenApiDocument } from './docsPage';

/** The API's description, for programs (`/openapi.json`) and for people (`/docs`). Open to anybody. */
export function apiDocs(): Router {
  const text = readFileSync(OPEN_API_FILE, 'utf8');
  const page = docsPage(JSON.parse(text) as OpenApiDocument);
  const docs = Router();
  docs.get('/openapi.json', (_req, res) => {
    res.type('json').send(text);
  });
  docs.get('/docs', (_req, res) => {
    res.type('html').send(page(String(res.locals['cspNonce'])));
  });
  return docs;
}
