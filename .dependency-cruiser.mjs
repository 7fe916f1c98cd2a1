/*
 * The layers of the house: core ← contract ← domain ← server, web, cli ← demo, e2e, tools. Tests may look
 * wherever they need to; what ships may not.
 */

const TEST = '(\\.test\\.tsx?$|/test-support/)';
const PLACES = '^web/src/places/([^/]+)/';

/** @param {string} from @param {string[]} allowed workspaces it may import, besides itself */
const workspace = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join('-and-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${from}/`, pathNot: TEST },
  to: {
    path: '^(core|contract|domain|server|web|cli|demo|e2e|tools)/',
    pathNot: [from, ...allowed].map((name) => `^${name}/`),
  },
});

/** @param {string} name @param {string} from @param {string} to @param {string} comment */
const forbidden = (name, from, to, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from, pathNot: TEST },
  to: { path: to },
});

export default {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'resolvable',
      severity: 'error',
      from: { pathNot: '\\?raw$' },
      to: { couldNotResolve: true, pathNot: ['^virtual:', '\\?raw$'] },
    },
    workspace('core', []),
    workspace('contract', ['core']),
    workspace('domain', ['core', 'contract']),
    workspace('server', ['core', 'contract', 'domain']),
    workspace('web', ['core', 'contract', 'domain']),
    workspace('cli', ['core', 'contract', 'domain']),
    {
      name: 'contract-takes-types-of-core',
      comment: 'The contract is what crosses the wire: of the core it knows types alone.',
      severity: 'error',
      from: { path: '^contract/', pathNot: TEST },
      to: { path: '^core/', dependencyTypesNot: ['type-only'] },
    },
    forbidden(
      'core-has-no-io',
      '^core/',
      '^(node:|fs|path|http)',
      'The core computes; it does no I/O.',
    ),
    {
      name: 'core-and-domain-are-pure',
      severity: 'error',
      from: { path: '^(core|contract|domain)/src/', pathNot: TEST },
      to: { dependencyTypes: ['core'] },
    },
    forbidden(
      'http-goes-through-use-cases',
      '^server/src/http/',
      '^server/src/store/',
      'A route asks a use case; only use cases read the store.',
    ),
    forbidden(
      'store-is-below-use-cases',
      '^server/src/(store|database)/',
      '^server/src/(use-cases|http|jobs)/',
      'The store knows nothing of who asks.',
    ),
    forbidden(
      'use-cases-are-below-http',
      '^server/src/use-cases/',
      '^server/src/(http|jobs)/',
      'A use case knows nothing of HTTP.',
    ),
    forbidden(
      'parts-stand-alone',
      '^web/src/parts/',
      '^web/src/(state|places|shell|workers)/',
      'Shared pieces are given what they show.',
    ),
    forbidden(
      'state-is-below-places',
      '^web/src/(state|workers)/',
      '^web/src/(places|shell)/',
      'What several places read knows none of them.',
    ),
    {
      name: 'places-do-not-know-each-other',
      comment: 'What two places share goes to parts/, state/ or the domain.',
      severity: 'error',
      from: { path: PLACES, pathNot: TEST },
      to: { path: '^web/src/places/', pathNot: '^web/src/places/$1/' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|migrations)/' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.css'],
    },
  },
};
