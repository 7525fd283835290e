import { useEffect } from 'react';
import { useLatest } from '../../shared/use-latest.ts';

interface RunKeys {
  /** To the step so many before or after. */
  readonly go: (by: number) => void;
  readonly finish: () => void;
  /** The step may be done as it stands. */
  readonly mayFinish: boolean;
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, PageDown: 1, ArrowLeft: -1, PageUp: -1 };

/** A key that is meant for what has the focus: a field, a button, a dialog. */
const isMeantElsewhere = ({ target, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  ctrlKey ||
  metaKey ||
  altKey ||
  (target instanceof HTMLElement &&
    target.closest('input, textarea, select, [role="dialog"], button, a') !== null);

/** The page has the focus where what had it is gone: an Enter was meant for that, not for the step. */
const isForWhatIsGone = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && target.matches('main');

/** The large keys of the bench: on, back, done. */
export function useRunKeys(keys: RunKeys): void {
  const latest = useLatest(keys);
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (isMeantElsewhere(event)) return;
      const { go, finish, mayFinish } = latest.current;
      const by = STEPS[event.key];
      if (by !== undefined) go(by);
      else if (event.key === 'Enter' && !event.repeat && mayFinish && !isForWhatIsGone(event)) finish();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [latest]);
}
