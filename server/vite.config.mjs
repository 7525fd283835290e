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
/** Native code, and what starts threads from files of its own, stays outside. */
const OUTSIDE = ['sqlite3', 'piscina', ...NOT_INSTALLED, ...DRIVERS];

/** What bundled CommonJS packages expect to find. */
const COMMONJS_NAMES = [
  'import { createRequire as requireMaker } from "node:module";',
  'import { fileURLToPath as pathOf } from "node:url";',
  'const require = requireMaker(import.meta.url);',
  'const __filename = pathOf(import.meta.url);',
  'const __dirname = pathOf(new URL(".", import.meta.url));',
].join('\n');

export default defineConfig({
  // `main` before `module`, as Node itself resolves: packages that `require` one another must get the same one.
  ssr: { noExternal: true, target: 'node', resolve: { mainFields: ['main'] } },
  build: {
    ssr: 'dist/main.js',
    outDir: 'bundle',
    emptyOutDir: true,
    target: 'node20',
    // Class names are read at run time: by Nest for its providers, by Sequelize for its models.
    minify: false,
    rolldownOptions: {
      external: (id) => OUTSIDE.some((name) => id === name || id.startsWith(`${name}/`)),
      output: { format: 'es', entryFileNames: 'main.mjs', codeSplitting: false, banner: COMMONJS_NAMES },
    },
  },
});
