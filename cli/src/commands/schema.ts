import { Command } from 'commander';
import { SCHEMA_NAMES, jsonSchemaOf } from '@blue-ledge/core';
import { wordFor } from '../input.ts';

/** `schema NAME`: the JSON Schema of a file or an answer. */
export const schemaCommand = (answer: (answer: unknown) => void): Command =>
  new Command('schema')
    .description('print a JSON Schema')
    .argument('<name>', SCHEMA_NAMES.join(', '), wordFor('name', SCHEMA_NAMES))
    .action((name: (typeof SCHEMA_NAMES)[number]) => answer(jsonSchemaOf(name)));
