import type { AirVerdict, Compressor, Gun } from '@blue-ledge/core';
import { triggerWords } from './trigger-words.ts';
import { useFormat } from '../../state/units.ts';

interface AirLineProps {
  readonly verdict: AirVerdict;
  readonly gun: Gun;
  readonly compressor: Compressor;
  readonly guns: readonly Gun[];
}

/** Whether the compressor bears the gun for a coat, for how long it does, and what to change. */
export function AirLine({ verdict, gun, compressor, guns }: AirLineProps) {
  const { quantity, minutes } = useFormat();
  const { keeping, lasts, pauseMin, mostDemand, coatMin } = verdict;
  const demand = quantity('LPerMin', gun.airLPerMin);
  if (gun.airLPerMin === 0)
    return <p className="note">The air that {gun.name} takes is not known: fill it in under Equipment.</p>;
  if (keeping.keepsUp)
    return (
      <p className="air-line">
        <b>Air keeps up.</b> {compressor.name} delivers {quantity('LPerMin', compressor.deliveryLPerMin)}, the
        gun takes {demand}.
      </p>
    );
  const other = guns.find(
    ({ id, airLPerMin }) => id !== gun.id && airLPerMin > 0 && airLPerMin <= mostDemand,
  );
  return (
    <p className={lasts ? 'air-line' : 'air-line is-short'} role="status">
      <b>{lasts ? 'Air lasts for a coat.' : 'Air does not last.'}</b> {triggerWords(keeping.minutes)} of
      trigger from a full tank: {compressor.name} delivers {quantity('LPerMin', compressor.deliveryLPerMin)},
      the gun takes {demand}.
      {lasts
        ? ` Let the tank fill between coats${pauseMin === null ? '' : `, about ${minutes(Math.max(1, Math.ceil(pauseMin)))}`}.`
        : ` A coat takes ${triggerWords(coatMin)}. Spray it in parts up to a body line or edge and wait ${pauseMin === null ? 'for the tank' : `about ${minutes(Math.max(1, Math.ceil(pauseMin)))}`} between, or take a gun of at most ${quantity('LPerMin', mostDemand)}${other ? `: ${other.name}` : ', or a smaller fan with less fluid'}.`}
    </p>
  );
}
