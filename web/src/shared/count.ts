/** "1 entry", "3 entries". */
export const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;
