/** Minutes with the trigger pulled: "25 s", "3 min". */
export const triggerWords = (minutes: number): string =>
  minutes < 2 ? `${Math.max(1, Math.round(minutes * 60))} s` : `${Math.round(minutes)} min`;
