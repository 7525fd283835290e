/** What an abrasive is held by; a non-woven pad is its own grade: fine about P360, ultra-fine about P800. */
export const TOOLS = [
  'block',
  'hand',
  'machine',
  'machine-soft',
  'wet-hand',
  'pad-fine',
  'pad-ultra-fine',
] as const;
export type Tool = (typeof TOOLS)[number];

/** Tools that are stiff enough to bring a surface level; the others follow it. */
export const LEVELLING_TOOLS: readonly Tool[] = ['block'];
