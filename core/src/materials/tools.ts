/** What an abrasive is held by. */
export const TOOLS = ['block', 'hand', 'machine', 'machine-soft', 'wet-hand'] as const;
export type Tool = (typeof TOOLS)[number];

/** Tools that are stiff enough to bring a surface level; the others follow it. */
export const LEVELLING_TOOLS: readonly Tool[] = ['block'];
