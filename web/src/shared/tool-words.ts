import type { Tool } from '@blue-ledge/core';

/** Names of the tools: short for a drawing, long for a form. */
export const TOOL_WORDS: Readonly<Record<Tool, { readonly short: string; readonly long: string }>> = {
  block: { short: 'block', long: 'block' },
  hand: { short: 'hand', long: 'by hand' },
  machine: { short: 'machine', long: 'machine' },
  'machine-soft': { short: 'soft', long: 'machine, soft interface' },
  'wet-hand': { short: 'wet', long: 'wet by hand' },
  'pad-fine': { short: 'pad', long: 'fine pad' },
  'pad-ultra-fine': { short: 'fine pad', long: 'ultra-fine pad and paste' },
};
