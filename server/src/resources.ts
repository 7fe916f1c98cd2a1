/*
 * What the server reads beside its code. Sources and the compiled server both stand one folder below the workspace's,
 * so that it is found from either.
 */

/** The compiled server is JavaScript. */
const IS_COMPILED = import.meta.url.endsWith('.js');
const WORKSPACE = new URL('../', import.meta.url);

/** Changes of the database's tables, one after the other. */
export const MIGRATIONS = new URL('src/database/migrations', WORKSPACE);
/** The description of the API. */
export const OPEN_API_FILE = new URL('../docs/openapi.json', WORKSPACE);
/** What threads run. */
export const CALCULATIONS = new URL(
  IS_COMPILED ? 'dist/calculations.js' : 'src/workers/fromTypeScript.mjs',
  WORKSPACE,
);
