import { readingsOfTable, type ReadTable, type UnitSystem } from '@blue-ledge/core';
import Papa from 'papaparse';

/** Readings of a table as text: commas, semicolons, tabs or bars between, decimal points or commas. */
export function readCsv(
  text: string,
  zones: readonly { readonly id: string; readonly name: string }[],
  system: UnitSystem,
): ReadTable {
  const { data } = Papa.parse<string[]>(text.trim(), {
    delimitersToGuess: [';', '\t', '|', ','],
    skipEmptyLines: 'greedy',
  });
  return readingsOfTable(data, zones, system);
}
