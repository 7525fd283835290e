import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useFormat } from '../state/units.ts';
import type { Felt } from './use-practice.ts';

const WIDTH = 1024;
const HEIGHT = 64;
/** Least height that the drawing spans, µm: below it nothing is felt. */
const LEAST_UM = 20;

/** What the palm felt along a line: highs and lows without the texture. */
export function FeltProfile({ felt }: { readonly felt: Felt | null }) {
  const { quantity } = useFormat();
  if (!felt)
    return <p className="felt-hint note">Feel along the panel where the block is: the button, or F.</p>;
  const [low = 0, high = 0] = extent(felt.profileUm);
  const middle = (low + high) / 2;
  const half = Math.max(LEAST_UM, high - low) / 2;
  const x = scaleLinear([0, felt.profileUm.length - 1], [0, WIDTH]);
  const y = scaleLinear([middle - half, middle + half], [HEIGHT - 6, 6]);
  const path = line<number>(
    (_, i) => x(i),
    (um) => y(um),
  )([...felt.profileUm]);
  return (
    <figure className="felt">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" role="img" aria-label="Felt profile">
        <path d={path ?? ''} />
      </svg>
      <figcaption className="note">
        Felt {quantity('Mm', Math.round(felt.yMm))} across: {quantity('Um', high - low)} from low to high,
        model.
      </figcaption>
    </figure>
  );
}
