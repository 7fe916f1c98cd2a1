/** As much of an OpenAPI document as the page shows. */
export interface OpenApiDocument {
  readonly info: { readonly title: string; readonly version: string; readonly description: string };
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
}

interface Operation {
  readonly operationId: string;
  readonly summary: string;
  readonly description: string;
  readonly tags: readonly string[];
  readonly parameters?: readonly {
    readonly name: string;
    readonly in: string;
    readonly required?: boolean;
  }[];
  readonly requestBody?: unknown;
  readonly responses: Readonly<Record<string, { readonly description: string }>>;
}

const STYLE = `
  body { font: 16px/1.5 system-ui, sans-serif; color: #20302f; background: #f7f4ee; margin: 0 auto; max-width: 62rem; padding: 2rem 1rem; }
  h2 { margin-top: 2.5rem; border-bottom: 1px solid #dad3c6; }
  table { border-collapse: collapse; width: 100%; }
  td { border-bottom: 1px solid #dad3c6; padding: 0.4rem 0.6rem 0.4rem 0; vertical-align: top; }
  code { font-family: ui-monospace, monospace; font-size: 0.9rem; overflow-wrap: anywhere; }
  .method { text-transform: uppercase; color: #1e5852; width: 4.5rem; }
  .quiet { color: #5b6a68; }
`;

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
};
const escape = (text: string) => text.replace(/[&<>"]/g, (sign) => ESCAPES[sign] ?? sign);

/**
 * The API's description as a page: every route by its area, what it takes and who may. It is made once; only
 * the nonce of its style differs between answers.
 */
export function docsPage({ info, paths }: OpenApiDocument): (nonce: string) => string {
  const operations = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  );
  const areas = [...new Set(operations.flatMap(({ operation }) => operation.tags))];
  const body = areas
    .map((area) => {
      const rows = operations
        .filter(({ operation }) => operation.tags.includes(area))
        .map(({ path, method, operation }) => rowOf(path, method, operation));
      return `<h2>${escape(area)}</h2><table>${rows.join('')}</table>`;
    })
    .join('');
  return (nonce) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escape(info.title)}</title><style nonce="${nonce}">${STYLE}</style></head>
<body><h1>${escape(info.title)}</h1><p>${escape(info.description)}</p>
<p>For programs: <a href="openapi.json">openapi.json</a> (OpenAPI 3.1).</p>${body}</body></html>`;
}

function rowOf(path: string, method: string, operation: Operation): string {
  const asked = (operation.parameters ?? [])
    .filter((parameter) => parameter.in === 'query')
    .map(({ name, required }) => (required ? name : `[${name}]`));
  const takes = [
    ...(asked.length > 0 ? [`Query: ${asked.join(', ')}.`] : []),
    ...(operation.requestBody ? ['Reads a JSON body.'] : []),
  ].join(' ');
  return `<tr id="${escape(operation.operationId)}"><td class="method">${escape(method)}</td>
<td><code>${escape(path)}</code><br>${escape(operation.summary)}<br>
<span class="quiet">${escape(`${operation.description} ${takes}`.trim())}</span></td></tr>`;
}
