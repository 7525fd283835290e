import { persisted } from './persisted.ts';

/** What a person at the bench reaches for: the cup, the gun and the compressor chosen last, by shop. They survive a reload. */

interface BenchChoices {
  /** Ids by shop and what they are of, for gun set-ups by product as well: "shop/cup". */
  readonly byName: Readonly<Record<string, string>>;
}

export const useBenchChoices = persisted<BenchChoices>('ledge-bench-choices', { byName: {} });

export const keepBenchChoice = (name: string, id: string): void =>
  useBenchChoices.setState(({ byName }) => ({ byName: { ...byName, [name]: id } }));

/** A choice under a name and how it is changed; undefined until somebody chose. */
export function useBenchChoice(name: string): readonly [string | undefined, (id: string) => void] {
  const chosen = useBenchChoices((state) => state.byName[name]);
  return [chosen, (id) => keepBenchChoice(name, id)];
}
