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

export default {
  testTimeout: 60_000,
  projects: ['core', 'contract', 'domain', 'server', 'cli', 'demo', 'web'].map(project),
};
