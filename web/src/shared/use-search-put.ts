import { useSearchParams } from 'react-router';

/** The address's own parameters, and how some of them are changed or, by null, taken out: in place, so that going back leaves the view. */
export function useSearchPut(): readonly [
  URLSearchParams,
  (change: Readonly<Record<string, string | null>>) => void,
] {
  const [search, setSearch] = useSearchParams();
  const put = (change: Readonly<Record<string, string | null>>): void =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        for (const [name, value] of Object.entries(change)) {
          if (value === null) next.delete(name);
          else next.set(name, value);
        }
        return next;
      },
      { replace: true },
    );
  return [search, put];
}
