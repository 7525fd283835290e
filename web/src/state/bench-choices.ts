import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What a person at the bench reaches for: the cup, the gun and the compressor chosen last, by shop. They survive a reload. */

interface BenchChoices {
  /** Ids by shop and what they are of, for gun set-ups by product as well: "shop/cup". */
  readonly byName: Readonly<Record<string, string>>;
  readonly choose: (name: string, id: string) => void;
}

export const useBenchChoices = create<BenchChoices>()(
  persist<BenchChoices>(
    (set) => ({
      byName: {},
      choose: (name, id) => set(({ byName }) => ({ byName: { ...byName, [name]: id } })),
    }),
    { name: 'ledge-bench-choices', version: 1 },
  ),
);

/** A choice under a name and how it is changed; undefined until somebody chose. */
export function useBenchChoice(name: string): readonly [string | undefined, (id: string) => void] {
  const chosen = useBenchChoices((state) => state.byName[name]);
  const choose = useBenchChoices((state) => state.choose);
  return [chosen, (id) => choose(name, id)];
}
