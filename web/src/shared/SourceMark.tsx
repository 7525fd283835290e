import type { Source } from '@blue-ledge/core';

/** Where a number comes from: filled square sheet, stair outline shop rule, open square default, wave model. */
const SHAPES: Record<Source, { path: string; isFilled: boolean; words: string }> = {
  sheet: { path: 'M1 1h9v9H1z', isFilled: true, words: 'from the product sheet' },
  shop: { path: 'M1 1h4v3h3v3h3v4H1z', isFilled: false, words: 'shop rule' },
  default: { path: 'M1 1h9v9H1z', isFilled: false, words: 'built-in default' },
  model: { path: 'M0 7q2.75-7 5.5-1.5T11 4', isFilled: false, words: 'computed by a model' },
};

export const sourceWords = (source: Source): string => SHAPES[source].words;

export function SourceMark({ source }: { readonly source: Source }) {
  const { path, isFilled, words } = SHAPES[source];
  return (
    <svg
      width="12"
      height="12"
      viewBox="-0.5 -0.5 12 12"
      role="img"
      aria-label={words}
      style={{ flex: 'none', verticalAlign: '-1px' }}
    >
      <title>{words}</title>
      <path d={path} fill={isFilled ? 'var(--ink)' : 'none'} stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}

/** The four marks with their words. */
export function SourceLegend() {
  const words: Record<Source, string> = {
    sheet: 'sheet',
    shop: 'shop rule',
    default: 'default',
    model: 'model',
  };
  return (
    <p className="source-legend note">
      {(Object.keys(words) as Source[]).map((source) => (
        <span key={source}>
          <SourceMark source={source} /> {words[source]}
        </span>
      ))}
    </p>
  );
}
