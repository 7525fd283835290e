import type { Defect } from '@blue-ledge/core';
import type { ReactNode } from 'react';

/** How each defect looks on a piece of panel, 72 x 48: drawn over the coat, light from the upper left. */

export const WIDTH = 72;
export const HEIGHT = 48;

/** Turn from one point to the next that spreads them evenly, radians (golden angle). */
const TURN = 2.399963;

/** Points that fill the piece evenly without a pattern that the eye finds. */
const spread = (count: number, reach = 1): { x: number; y: number }[] =>
  Array.from({ length: count }, (_, i) => {
    const share = Math.sqrt((i + 0.5) / count) * reach;
    return {
      x: WIDTH / 2 + Math.cos(i * TURN) * share * 34,
      y: HEIGHT / 2 + Math.sin(i * TURN) * share * 22,
    };
  });

const Crater = ({ x, y, r }: { readonly x: number; readonly y: number; readonly r: number }) => (
  <g>
    <circle cx={x} cy={y} r={r} className="is-under" />
    <path d={`M${x - r} ${y}a${r} ${r} 0 0 1 ${2 * r} 0`} className="line is-shade" />
    <path d={`M${x - r} ${y}a${r} ${r} 0 0 0 ${2 * r} 0`} className="line is-light" />
  </g>
);

const Nib = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g>
    <ellipse cx={x + 1.4} cy={y + 1.6} rx="3" ry="2.4" className="is-shade" />
    <circle cx={x} cy={y} r="2.2" className="is-coat" />
    <circle cx={x - 0.7} cy={y - 0.8} r="0.9" className="is-light" />
  </g>
);

export const DEFECT_DRAWINGS: Readonly<Record<Defect, ReactNode>> = {
  'rub-through': (
    <>
      <ellipse cx="36" cy="24" rx="23" ry="14" className="is-light" />
      <ellipse cx="36" cy="24" rx="16" ry="9" className="is-under" />
      <ellipse cx="36" cy="24" rx="8" ry="4.2" className="is-bare" />
      <path d="M30 25l8-3M32 26.6l9-3.4M35 27.4l7-2.6" className="line is-shade" />
    </>
  ),
  sag: (
    <>
      <path
        d="M4 12C16 10 22 15 32 13s24-5 36-1v9c-3 1-4 8-7 8s-3-7-7-7-4 17-8 17-3-15-7-15-4 9-8 9-4-11-9-11-6 5-9 5-7-4-11-4z"
        className="is-shade"
      />
      <path
        d="M4 11C16 9 22 14 32 12s24-5 36-1v6c-3 1-4 8-7 8s-3-6-7-6-4 17-8 17-3-15-7-15-4 9-8 9-4-10-9-10-6 4-9 4-7-4-11-4z"
        className="is-coat"
      />
      <path d="M44.6 33c.6 2 2 2 2.6 0M29 24c.6 2 2 2 2.6 0" className="line is-light" />
    </>
  ),
  'dust-nibs': (
    <>
      {[
        [12, 12],
        [30, 20],
        [52, 11],
        [20, 34],
        [44, 35],
        [62, 28],
      ].map(([x, y]) => (
        <Nib key={x} x={x!} y={y!} />
      ))}
    </>
  ),
  'orange-peel': (
    <>
      {[6, 14, 22, 30, 38, 46].flatMap((y, row) =>
        Array.from({ length: 8 }, (_, i) => {
          const x = 1 + i * 10 + (row % 2) * 5;
          return (
            <g key={`${x} ${y}`}>
              <path d={`M${x - 4} ${y}q4 -5 8 0`} className="line is-light" />
              <path d={`M${x - 4} ${y + 1}q4 4 8 0`} className="line is-shade" />
            </g>
          );
        }),
      )}
    </>
  ),
  'dry-spray': (
    <>
      {spread(130).map(({ x, y }, i) => (
        <circle key={i} cx={x} cy={y} r={0.9} className={i % 2 ? 'is-light' : 'is-shade'} />
      ))}
    </>
  ),
  fisheye: (
    <>
      <Crater x={18} y={15} r={7} />
      <Crater x={46} y={13} r={4.5} />
      <Crater x={33} y={34} r={6} />
      <Crater x={59} y={32} r={7.5} />
    </>
  ),
  'solvent-pop': (
    <>
      {spread(26, 0.85).map(({ x, y }, i) => (
        <g key={i}>
          <circle cx={x} cy={y} r={2} className="is-light" />
          <circle cx={x + 0.3} cy={y + 0.3} r={0.9} className="is-dark" />
        </g>
      ))}
    </>
  ),
  'scratch-swelling': (
    <>
      {[-20, -10, 0, 10, 20, 30, 40].map((x, i) => (
        <g key={x}>
          <path d={`M${x} 46L${x + 34 + (i % 3) * 6} 4`} className="line is-shade is-wide" />
          <path d={`M${x - 1.4} 45.4L${x + 32.6 + (i % 3) * 6} 3.4`} className="line is-light" />
        </g>
      ))}
    </>
  ),
  'sink-back': (
    <>
      <ellipse cx="36" cy="24" rx="24" ry="15" className="is-sunk" />
      <path d="M12 24a24 15 0 0 1 48 0" className="line is-shade is-wide" />
      <path d="M12 24a24 15 0 0 0 48 0" className="line is-light is-wide" />
    </>
  ),
  'edge-mapping': (
    <>
      <path d="M0 36C14 30 16 14 30 14s22 12 42 4V48H0z" className="is-sunk" />
      <path d="M0 36C14 30 16 14 30 14s22 12 42 4" className="line is-shade is-wide" />
      <path d="M0 38C14 32 16 16 30 16s22 12 42 4" className="line is-light" />
    </>
  ),
  lifting: (
    <>
      {[8, 16, 24, 32, 40].map((y, i) => (
        <g key={y}>
          <path
            d={`M${8 + (i % 2) * 6} ${y}q5 -6 9 0t8 1 8 -3 9 2 8 ${i % 2 ? -2 : 2}`}
            className="line is-shade is-wide"
          />
          <path
            d={`M${8 + (i % 2) * 6} ${y - 1.6}q5 -6 9 0t8 1 8 -3 9 2 8 ${i % 2 ? -2 : 2}`}
            className="line is-light"
          />
        </g>
      ))}
    </>
  ),
  peeling: (
    <>
      <path d="M24 14L54 10 66 26 50 40 22 38 14 26z" className="is-bare" />
      <path d="M24 14L54 10 40 28z" className="is-light" />
      <path d="M24 14L40 28 54 10" className="line is-shade" />
      <path d="M54 10L66 26 50 40 22 38 14 26 24 14" className="line is-shade is-wide" />
    </>
  ),
  flaking: (
    <>
      <path
        d="M0 24L14 20 26 27 38 21 52 27 72 22M14 20L10 0M26 27L22 48M38 21L42 0M52 27L56 48"
        className="line is-dark"
      />
      <path d="M26 27L38 21 52 27 47 37 31 38z" className="is-bare" />
      <path d="M14 20L26 27 20 33z" className="is-bare" />
    </>
  ),
  'rust-bloom': (
    <>
      {[
        [16, 16, 5],
        [27, 24, 7.5],
        [46, 15, 4],
        [52, 31, 8],
        [35, 37, 4],
        [62, 14, 3],
      ].map(([x, y, r]) => (
        <g key={x}>
          <circle cx={x} cy={y} r={r! + 3} className="is-rust-halo" />
          <circle cx={x} cy={y} r={r} className="is-rust" />
        </g>
      ))}
    </>
  ),
  'stain-through': (
    <>
      <path d="M20 10c10-6 30-4 36 4s8 20-4 24-30 4-36-4-8-18 4-24z" className="is-stain-halo" />
      <path d="M25 15c8-5 22-3 26 3s5 13-3 16-22 3-27-3-4-12 4-16z" className="is-stain" />
    </>
  ),
  'uneven-tone': (
    <>
      {[0, 14, 26, 44, 56].map((x, i) => (
        <rect key={x} x={x} y="0" width="9" height={HEIGHT} className={i % 2 ? 'is-sunk' : 'is-light'} />
      ))}
    </>
  ),
  'gummy-sanding': (
    <>
      <path d="M10 40L22 6 66 10 56 44z" className="is-under" />
      {spread(60, 0.62).map(({ x, y }, i) => (
        <circle key={i} cx={x + 2} cy={y + 1} r="0.7" className="is-dark" />
      ))}
      <path
        d="M26 16c6-4 12 2 8 6s-10 0-8-6zM42 26c7-3 12 3 7 7s-10-1-7-7zM26 31c4-2 8 1 6 4s-7 0-6-4z"
        className="is-coat"
      />
      <path
        d="M26 16c6-4 12 2 8 6s-10 0-8-6zM42 26c7-3 12 3 7 7s-10-1-7-7zM26 31c4-2 8 1 6 4s-7 0-6-4z"
        className="line is-dark"
      />
    </>
  ),
  'wrong-mix': (
    <>
      <path d="M22 6h28l-4 36H26z" className="is-light" />
      <path d="M24 22h24.2L46 42H26z" className="is-under" />
      <path d="M23.4 17h25.2l-.5 5H24z" className="is-stain" />
      <path d="M22 6h28l-4 36H26zM24 22h24M23.4 17h25" className="line is-dark" />
      <path d="M52 17h6M52 12h6M51.4 27h6" className="line is-dark" />
    </>
  ),
};
