import {
  PUCK_HEIGHT_MM,
  SHOP_RULES,
  hardenerLineMm,
  puckMmOf,
  type Pour,
  type ProductSheet,
  type Shop,
} from '@blue-ledge/core';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { useFormat } from '../../state/units.ts';

interface FillerPuckProps {
  readonly pour: Pour;
  readonly sheet: ProductSheet;
  readonly rules: Shop['rules'];
}

/** Filler for those without a scale: a puck on the board and a line of hardener beside it, drawn to each other. */
export function FillerPuck({ pour, sheet, rules }: FillerPuckProps) {
  const { quantity } = useFormat();
  const [body, hardener] = pour.parts;
  const share = sheet.hardenerPercent;
  if (!body || !hardener || !share) return null;
  const beadMm = rules.hardenerBeadMm ?? SHOP_RULES.hardenerBeadMm.preset;
  const puckMm = puckMmOf(body.ml);
  const lineMm = hardenerLineMm(hardener.ml, (Math.PI * (beadMm / 2) ** 2) / 1000);
  const widest = puckMm + 20 + lineMm;
  return (
    <section className="filler-puck" aria-labelledby="puck-head">
      <h3 id="puck-head">Without a scale</h3>
      <svg
        viewBox={`0 0 ${widest} ${Math.max(puckMm, beadMm) + 4}`}
        role="img"
        aria-label={`A puck ${quantity('Mm', puckMm)} across and a line of hardener ${quantity('Mm', lineMm)} long`}
      >
        <circle cx={puckMm / 2} cy={puckMm / 2 + 2} r={puckMm / 2} className="puck" />
        <rect
          x={puckMm + 10}
          y={puckMm / 2 + 2 - beadMm / 2}
          width={lineMm}
          height={beadMm}
          rx={beadMm / 2}
          className="bead"
        />
      </svg>
      <p>
        A puck <b>{quantity('Mm', puckMm)}</b> across and {quantity('Mm', PUCK_HEIGHT_MM)} high{' '}
        <SourceMark source="model" />, and a line of hardener <b>{quantity('Mm', lineMm)}</b> long from a tube
        that gives {quantity('Mm', beadMm)}{' '}
        <SourceMark source={rules.hardenerBeadMm === undefined ? 'default' : 'shop'} />: {share.usual} % by
        mass.
      </p>
      <p className="note">
        Under {share.from} % it stays soft and tears when it is sanded; over {share.to} % it sets with
        pinholes, and its dye comes up through light colours later.
      </p>
    </section>
  );
}
