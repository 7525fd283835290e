import {
  cupStripPdf,
  cupVolumeMl,
  cupsFor,
  placedMarks,
  printedReading,
  type MixingCup,
  type PlacedMark,
  type Pour,
  type ProductSheet,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { Choice } from '../../shared/Choice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { download } from '../../shared/save-as.ts';
import { useBenchChoice } from '../../state/bench-choices.ts';
import { useFormat } from '../../state/units.ts';
import { useAmounts } from '../../shared/use-amounts.ts';
import { useCup } from './use-cup.ts';

interface CupViewProps {
  readonly pour: Pour;
  readonly sheet: ProductSheet | undefined;
  readonly shop: ShopEdit;
}

/** The mix in a cup of the shop: where each part is read on its wall, drawn to scale, and a strip to tape to it. */
export function CupView({ pour, sheet, shop }: CupViewProps) {
  const cup = useCup(shop);
  const [, choose] = useBenchChoice(`${shop.id}/cup`);
  const { cups = [] } = shop.shop;
  return (
    <section className="pour-cup" aria-labelledby="cup-head">
      <h3 id="cup-head">In a cup</h3>
      {cup ? (
        <>
          <Choice
            label="Mixing cup"
            value={cup.id}
            options={cups.map(({ id, name }) => [id, name])}
            onChange={choose}
          />
          <InCup key={cup.id} cup={cup} pour={pour} sheet={sheet} />
        </>
      ) : (
        <p className="note">
          No cup yet. Measure one inside (bottom, top, height) under{' '}
          <Link to={`/shelf/${shop.id}/equipment`}>Shelf, Equipment</Link>: marks for any ratio are then
          worked out for it.
        </p>
      )}
    </section>
  );
}

function InCup({
  cup,
  pour,
  sheet,
}: {
  readonly cup: MixingCup;
  readonly pour: Pour;
  readonly sheet: ProductSheet | undefined;
}) {
  const amount = useAmounts();
  const { quantity } = useFormat();
  const [error, setError] = useState<Error | null>(null);
  const split = cupsFor(pour.potMl, cup);
  const share = 1 / split;
  const marks = pour.parts.map(({ name, readMl }) => ({ name, readMl: readMl * share }));
  const placed = placedMarks({ cup, marks });
  const print = async (): Promise<void> => {
    setError(null);
    try {
      const pdf = await cupStripPdf({
        title: `${sheet?.name ?? pour.sheetId}, ${amount('Ml', pour.potMl * share)}`,
        cup,
        marks,
      });
      const url = URL.createObjectURL(new Blob([pdf.slice()], { type: 'application/pdf' }));
      download(url, `cup-strip-${cup.id}.pdf`);
      setTimeout(() => URL.revokeObjectURL(url), 60_000);
    } catch (fault) {
      setError(fault as Error);
    }
  };
  return (
    <>
      {split > 1 && (
        <p>
          <b>{split} cups</b> of {amount('Ml', pour.potMl * share)}: {cup.name} holds{' '}
          {amount('Ml', cupVolumeMl(cup))}, and a full one cannot be stirred.
        </p>
      )}
      <div className="cup-drawn">
        <CupDrawing cup={cup} marks={placed} />
        <table className="cup-marks">
          <caption className="visually-hidden">Marks of the cup</caption>
          <thead>
            <tr>
              <th scope="col">Fill with</th>
              <th scope="col">Up to</th>
              <th scope="col">Above the bottom</th>
              {cup.printed && <th scope="col">On its print, {cup.printed.parts.join(':')}</th>}
            </tr>
          </thead>
          <tbody>
            {placed.map(({ name, readMl, heightMm }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td>{amount('Ml', readMl)}</td>
                <td>{quantity('Mm', heightMm)}</td>
                {cup.printed && <td>{printedWords(cup.printed, readMl)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Button onClick={() => void print()}>Print a strip for this cup (PDF)</Button>
      {error && <Problem error={error} />}
    </>
  );
}

/** "line 3.2 of its column 4", "line 5.1 of its column 4+1" */
function printedWords(printed: NonNullable<MixingCup['printed']>, readMl: number): string {
  const found = printedReading(printed, readMl);
  if (!found) return 'above its lines';
  const column = printed.parts.slice(0, found.column + 1).join('+');
  return `line ${found.line.toFixed(1)} of its column ${column}`;
}

const DRAWN = { width: 290, mostHeight: 190, label: 130 } as const;

/** The cup in section, true to its form, filled part by part. */
function CupDrawing({ cup, marks }: { readonly cup: MixingCup; readonly marks: readonly PlacedMark[] }) {
  const widest = Math.max(cup.topMm, cup.bottomMm);
  const pxPerMm = Math.min((DRAWN.width - DRAWN.label) / widest, (DRAWN.mostHeight - 12) / cup.heightMm);
  const height = cup.heightMm * pxPerMm + 12;
  const middle = (DRAWN.width - DRAWN.label) / 2;
  const y = (heightMm: number): number => height - 6 - heightMm * pxPerMm;
  const half = (heightMm: number): number =>
    ((cup.bottomMm + ((cup.topMm - cup.bottomMm) * heightMm) / cup.heightMm) / 2) * pxPerMm;
  const labels = placeLabels(marks.map(({ heightMm }) => y(heightMm)));
  return (
    <svg
      width={DRAWN.width}
      height={height}
      role="img"
      aria-label={`Cup with ${marks.length} marks, each at its height`}
      className="cup-drawing"
    >
      {marks.map(({ name, heightMm }, i) => {
        const from = marks[i - 1]?.heightMm ?? 0;
        return (
          <path
            key={name}
            className={`cup-fill is-${i % 3}`}
            d={`M${middle - half(from)} ${y(from)}L${middle + half(from)} ${y(from)}L${middle + half(heightMm)} ${y(heightMm)}L${middle - half(heightMm)} ${y(heightMm)}Z`}
          />
        );
      })}
      <path
        className="cup-wall"
        d={`M${middle - half(cup.heightMm)} ${y(cup.heightMm)}L${middle - half(0)} ${y(0)}L${middle + half(0)} ${y(0)}L${middle + half(cup.heightMm)} ${y(cup.heightMm)}`}
      />
      {marks.map(({ name, heightMm }, i) => (
        <g key={name}>
          <path
            className="cup-lead"
            d={`M${middle + half(heightMm)} ${y(heightMm)}L${DRAWN.width - DRAWN.label + 8} ${labels[i]}`}
          />
          <text x={DRAWN.width - DRAWN.label + 12} y={labels[i]! + 4}>
            {i + 1} {name.slice(0, 18)}
          </text>
        </g>
      ))}
    </svg>
  );
}

const LINE_PX = 16;
/** Labels from the bottom up, none over the next. */
function placeLabels(ys: readonly number[]): number[] {
  const placed: number[] = [];
  for (const y of ys) placed.push(Math.min(y, (placed.at(-1) ?? Infinity) - LINE_PX));
  return placed;
}
