import { useSearchParams } from 'react-router';

/** The address's own parameters, and how some of them are changed: in place, so that going back leaves the view. */
export function useSearchPut(): readonly [
  URLSearchParams,
  (change: Readonly<Record<string, string>>) => void,
] {
  const [search, setSearch] = useSearchParams();
  const put = (change: Readonly<Record<string, string>>): void =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        for (const [name, value] of Object.entries(change)) next.set(name, value);
        return next;
      },
      { replace: true },
    );
  return [search, put];
}
