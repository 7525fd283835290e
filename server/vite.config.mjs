import { defineConfig } from 'vite';

/**
 * One file of the compiled server and its packages: looking up a thousand module files was over half of its start.
 * Input is tsc's output, because Nest needs the decorator metadata that only tsc writes.
 */

/** Packages that others ask for only where they are installed. */
const NOT_INSTALLED = [
  '@nestjs/websockets',
  '@nestjs/microservices',
  'class-validator',
  'class-transformer',
  '@fastify',
];
const DRIVERS = ['pg', 'pg-hstore', 'mysql2', 'mariadb', 'tedious', 'oracledb', 'ibm_db', 'snowflake-sdk'];
/** Native code stays outside. */
const OUTSIDE = ['sqlite3', ...NOT_INSTALLED, ...DRIVERS];

/** What bundled CommonJS packages expect to find. */
const COMMONJS_NAMES = [
  'import { createRequire as requireMaker } from "node:module";',
  'import { fileURLToPath as pathOf } from "node:url";',
  'const require = requireMaker(import.meta.url);',
  'const __filename = pathOf(import.meta.url);',
  'const __dirname = pathOf(new URL(".", import.meta.url));',
].join('\n');

export default defineConfig({
  ssr: { noExternal: true, target: 'node' },
  build: {
    ssr: 'dist/main.js',
    outDir: 'bundle',
    emptyOutDir: true,
    target: 'node20',
    minify: true,
    rolldownOptions: {
      external: (id) => OUTSIDE.some((name) => id === name || id.startsWith(`${name}/`)),
      output: { format: 'es', entryFileNames: 'main.mjs', codeSplitting: false, banner: COMMONJS_NAMES },
    },
  },
});
