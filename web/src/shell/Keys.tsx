import { useEffect, useState } from 'react';
import { Dialog } from '../shared/dialog/Dialog.tsx';

/** Keys by place, as they are on screen: what is listed under "?". */
const KEYS: readonly (readonly [place: string, keys: readonly (readonly [keys: string, does: string])[]])[] =
  [
    [
      'Everywhere',
      [
        ['?', 'this list'],
        ['Tab, Shift Tab', 'to the next field or button, and back'],
        ['Esc', 'closes a dialog, drawer or list, and drops a number that is being typed'],
        ['Enter in a field of a dialog', 'does what the dialog is for'],
        ['↑ ↓ in a number', 'one step more or less; with Shift ten'],
      ],
    ],
    [
      'Bay',
      [
        ['← → Home End on a bar', 'along the work of a panel'],
        ['↑ ↓ on a bar', 'to the panel above or below'],
        ['Enter on a bar', 'opens its panel, to see its chain and to move its work'],
        ['+ −, Ctrl with the wheel', 'wider or narrower hours'],
      ],
    ],
    [
      'Survey',
      [
        ['Space, ↑ ↓, Space on a grip', 'moves a layer up or down'],
        ['← ↑ → ↓ on a shape, corner or mark', 'moves it by 10 mm; with Shift by 50 mm'],
        ['Delete on a corner', 'removes the corner'],
        ['Enter on a mark', 'picks it'],
      ],
    ],
    [
      'System',
      [
        ['← → on the step bar', 'one step back or on'],
        ['Home, End on the step bar', 'the panel as found; the last step'],
        ['← ↑ → ↓ on L or L′', 'cuts the section elsewhere'],
      ],
    ],
    [
      'Ladder',
      [
        ['↑ ↓ on a rung', 'a coarser or a finer grade'],
        ['Delete on a rung', 'takes the rung out'],
      ],
    ],
    [
      'Run',
      [
        ['Enter', 'the step is done as planned'],
        ['← →, Page up, Page down', 'the step before, the step after'],
      ],
    ],
    [
      'Practice',
      [
        ['← ↑ → ↓', 'moves the block'],
        ['Space', 'sets the block down or lifts it'],
      ],
    ],
  ];

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** The keys of the program, opened by "?" on any screen or by the button in the strip. */
export function Keys() {
  const [isOpen, setIsOpen] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key === '?' && !isTyping(event.target)) setIsOpen(true);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  return (
    <>
      <button
        type="button"
        className="strip-keys"
        aria-label="Keys"
        title="Keys (?)"
        onClick={() => setIsOpen(true)}
      >
        ?
      </button>
      {isOpen && (
        <Dialog title="Keys" width={640} onClose={() => setIsOpen(false)}>
          {KEYS.map(([place, keys]) => (
            <section key={place} className="keys">
              <h3>{place}</h3>
              <dl>
                {keys.map(([key, does]) => (
                  <div key={key}>
                    <dt>{key}</dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </Dialog>
      )}
    </>
  );
}
