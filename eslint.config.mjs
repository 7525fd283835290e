import js from '@eslint/js';
import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Lower rooms of core never import higher ones; the order is that of docs/decisions.md. */
const ROOMS = [
  'units',
  'wording',
  'materials',
  'survey',
  'film',
  'surface',
  'climate',
  'blocking',
  'operations',
  'rules',
  'planner',
  'practice',
  'record',
  'diagnosis',
  'clocks',
  'schedule',
  'formats',
];
/** Rooms of one storey: they may not import each other. */
const STOREY = { film: 'models', surface: 'models', climate: 'models' };
const storeyOf = (room) => STOREY[room] ?? room;

const upward = (room) =>
  ROOMS.filter(
    (other) =>
      other !== room &&
      (storeyOf(other) === storeyOf(room) ||
        ROOMS.findIndex((r) => storeyOf(r) === storeyOf(other)) >
          ROOMS.findIndex((r) => storeyOf(r) === storeyOf(room))),
  );

const WEB_REACHES = {
  group: ['node:*', '@nestjs/*', 'sequelize', '@blue-ledge/server', '@blue-ledge/cli', '@blue-ledge/core/*'],
  message: 'web reaches core through its public surface and the server through HTTP.',
};
const ONE_DIALOG = {
  group: ['antd'],
  importNames: ['Modal', 'Drawer'],
  message: 'The one dialog is shared/dialog/Dialog.tsx, what comes from the side SideDrawer.tsx.',
};
const ONE_PERSISTED = {
  group: ['zustand/middleware'],
  message: 'Stores that the browser keeps are made by state/persisted.ts: they follow other tabs.',
};
/** Rules of a folder take the place of those of the folders around it. */
const banAll = (files, ...patterns) => ({
  files,
  ignores: ['**/*.test.{ts,tsx}'],
  rules: { '@typescript-eslint/no-restricted-imports': ['error', { patterns }] },
});

const ban = (files, group, message) => banAll(files, { group, message });

const OUTSIDE_OF_CORE = ['node:*', 'react*', '@nestjs/*', 'sequelize', 'antd', '@blue-ledge/*', 'fs', 'path'];

export default ts.config(
  {
    ignores: [
      '**/dist/',
      'server/bundle/',
      '**/node_modules/',
      'data/',
      'test-results/',
      'playwright-report/',
    ],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: 'error',
      'max-depth': ['error', 3],
      'max-params': ['error', 4],
    },
  },
  // Nest reads constructor types at run time, so its classes are imported as values.
  { files: ['server/src/**/*.ts'], rules: { '@typescript-eslint/consistent-type-imports': 'off' } },
  { files: ['**/*.test.{ts,tsx}'], rules: { 'max-params': 'off' } },
  { files: ['web/**/*.{ts,tsx}'], ...hooks.configs.flat.recommended },
  {
    files: ['**/*.mjs', 'cli/**', 'bench/**', 'server/**', 'e2e/**'],
    languageOptions: { globals: globals.node },
  },
  { files: ['**/*.mjs', 'bench/**'], rules: { 'no-console': 'off' } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/testing/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        'Date',
        'console',
        'process',
        'window',
        'document',
        'setTimeout',
        'fetch',
      ],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
    },
  },
  ...ROOMS.map((room) =>
    ban(
      [`core/src/${room}/**/*.ts`],
      [
        ...OUTSIDE_OF_CORE,
        '../index.ts',
        './index.ts',
        ...upward(room).flatMap((other) => [`../${other}/**`, `../../${other}/**`]),
      ],
      `core/${room} imports only lower rooms, nothing outside core, and no barrel of its own.`,
    ),
  ),
  banAll(['web/src/**/*.{ts,tsx}'], WEB_REACHES, ONE_DIALOG, ONE_PERSISTED),
  banAll(['web/src/shared/dialog/*.tsx'], WEB_REACHES, ONE_PERSISTED),
  banAll(['web/src/state/persisted.ts'], WEB_REACHES, ONE_DIALOG),
  ban(
    ['server/src/**/*.ts', 'cli/src/**/*.ts'],
    ['@blue-ledge/web', '@blue-ledge/core/*', 'react*', 'antd'],
    'server and cli reach core through its public surface and never the web.',
  ),
);
