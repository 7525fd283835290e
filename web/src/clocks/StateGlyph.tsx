import type { ClockStand } from '@blue-ledge/core';

const WORDS: Readonly<Record<ClockStand['state'], string>> = {
  runs: 'Runs',
  open: 'May begin',
  closing: 'Closing',
  missed: 'Missed',
};

const SHAPES: Readonly<Record<ClockStand['state'], React.ReactNode>> = {
  runs: <path d="M1 15h4v-4h4V7h4V3h2" fill="none" stroke="currentColor" strokeWidth="2" />,
  open: <path d="M2 8.5 6.5 13 14 3.5" fill="none" stroke="currentColor" strokeWidth="2.4" />,
  closing: <path d="M3 1h10v2L9 8l4 5v2H3v-2l4-5-4-5z" fill="currentColor" />,
  missed: (
    <path d="M1.5 1.5h13v13h-13zM5 5l6 6M11 5l-6 6" fill="none" stroke="currentColor" strokeWidth="2" />
  ),
};

/** How a clock stands, as a shape and in words: rising treads, a tick, an hourglass, a crossed square. */
export function StateGlyph({ state }: { readonly state: ClockStand['state'] }) {
  return (
    <svg
      width="16"
      height="16"
      viewBox="0 0 16 16"
      role="img"
      aria-label={WORDS[state]}
      className="clock-glyph"
    >
      {SHAPES[state]}
    </svg>
  );
}
