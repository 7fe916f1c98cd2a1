import { randomUUID } from 'node:crypto';

/** Names what the processes of one run share: templates of databases. */
process.env.TEST_RUN ??= randomUUID().slice(0, 8);

/** Jest runs the TypeScript sources as ES modules; a workspace is a project so that its name shows. */
const project = (name) => ({
  displayName: name,
  rootDir: name,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts'],
  moduleFileExtensions: ['ts', 'mjs', 'js', 'json'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript' },
          target: 'es2023',
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
});

const [ts, transform] = Object.entries(project('web').transform)[0];
const [swc, options] = transform;
const withJsx = {
  ...options,
  jsc: {
    ...options.jsc,
    parser: { syntax: 'typescript', tsx: true },
    transform: { react: { runtime: 'automatic' } },
  },
};

/** Components and hooks: in a document, with React's own renderer. */
const components = {
  ...project('web'),
  displayName: 'components',
  testEnvironment: '<rootDir>/src/test-support/browserEnvironment.mjs',
  testMatch: ['<rootDir>/src/**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
  setupFilesAfterEnv: ['<rootDir>/src/test-support/setUp.ts'],
  // A class is called what it is called in its file.
  moduleNameMapper: { '\\.css$': '<rootDir>/src/test-support/classNames.ts' },
  transform: { [ts]: transform, '^.+\\.tsx$': [swc, withJsx] },
};

export default {
  testTimeout: 180_000,
  // Every core: by itself Jest leaves one free, which on two means one test after the other.
  maxWorkers: '100%',
  projects: [
    ...['core', 'contract', 'domain', 'server', 'cli', 'demo', 'web'].map(project),
    components,
  ],
};
