import { cpus } from 'node:os';

/** CommonJS through swc: packages that ship only ES modules are transformed too. */
const swc = (decorators = false) => [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', decorators, tsx: true },
      transform: decorators
        ? { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false }
        : { react: { runtime: 'automatic' } },
    },
    sourceMaps: 'inline',
  },
];

const shipsOnlyModules = [
  '@nestjs',
  'd3-.*',
  '@blue-ledge',
  'internmap',
  'tinyqueue',
  'file-type',
  'commander',
];

const project = (name, decorators) => ({
  displayName: name,
  rootDir: `./${name}`,
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  modulePathIgnorePatterns: ['/dist/'],
  transform: { '\\.[cm]?[jt]sx?$': swc(decorators) },
  transformIgnorePatterns: [`/node_modules/(?!(${shipsOnlyModules.join('|')})/)`],
  testEnvironmentOptions: { customExportConditions: ['@blue-ledge/source', 'node', 'node-addons'] },
  // What a global costs inside of jest doubles the time of the models.
  sandboxInjectedGlobals: ['Math'],
});

/** What is on a page, without a browser. */
const components = {
  ...project('web', false),
  displayName: 'components',
  testEnvironment: 'jsdom',
  testMatch: ['**/*.test.tsx'],
  setupFiles: ['<rootDir>/src/testing/browser-parts.ts'],
  moduleNameMapper: { '\\.css$': '<rootDir>/src/testing/no-style.ts' },
  testEnvironmentOptions: { customExportConditions: ['@blue-ledge/source', 'require', 'default'] },
};

export default {
  // Nothing here is timed; a slow disk is no failure.
  testTimeout: 120_000,
  maxWorkers: Math.max(2, cpus().length - 1),
  projects: [
    project('core', false),
    project('server', true),
    project('cli', false),
    project('web', false),
    components,
  ],
};
