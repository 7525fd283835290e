import { useEffect } from 'react';
import { PAGE_HEADING, focusSoon } from './focus.ts';

/** The page that a title stands for now; the first page of a visit takes no focus. */
let shown: string | null = null;

/** Names the page in the browser; a page that a person comes to takes the focus to its heading. */
export function PageTitle({ name }: { readonly name: string }) {
  useEffect(() => {
    if (shown !== null && shown !== name) focusSoon(PAGE_HEADING);
    shown = name;
  }, [name]);
  return <title>{`${name} · Blue Ledge`}</title>;
}
