import { dewMarginKelvin, type UnitSystem } from '@blue-ledge/core';
import { Link, useParams } from 'react-router';
import { ClockStrip } from '../clocks/ClockStrip.tsx';
import { useJob } from '../api/queries.ts';
import { useFormat, useUnits } from '../state/units.ts';
import { useTheme } from '../state/theme.ts';
import { MoonOutlined } from '../shared/icons.tsx';
import { Keys } from './Keys.tsx';
import { SaveState } from './SaveState.tsx';

/** The top strip: the shop's climate, whether all is saved, and the units. */
export function Strip() {
  const { job } = useParams();
  return (
    <header className="strip">
      {job ? <Climate job={job} /> : <span className="strip-name">Blue Ledge</span>}
      <span className="strip-space" />
      <ClockStrip />
      <SaveState />
      <UnitSwitch />
      <ThemeSwitch />
      <Keys />
    </header>
  );
}

function Climate({ job }: { readonly job: string }) {
  const { data } = useJob(job);
  const { quantity } = useFormat();
  if (!data) return null;
  const { celsius, relativeHumidity, profile } = data.shop.shop;
  const margin = dewMarginKelvin(celsius, { celsius, relativeHumidity });
  return (
    <Link to={`/shop/${data.shop.id}`} className="climate-link" title="Set the climate">
      <dl className="climate">
        <dt>{profile}</dt>
        <dd>{quantity('Celsius', celsius)}</dd>
        <dt>humidity</dt>
        <dd>{quantity('Percent', relativeHumidity)}</dd>
        <dt>above dew point</dt>
        <dd>{quantity('Kelvin', margin)}</dd>
      </dl>
    </Link>
  );
}

function ThemeSwitch() {
  const isDark = useTheme(({ name }) => name === 'dark');
  return (
    <button
      type="button"
      className="strip-keys"
      aria-pressed={isDark}
      aria-label="Dark, for the booth"
      title="Dark, for the booth"
      onClick={() => useTheme.setState({ name: isDark ? 'light' : 'dark' })}
    >
      <MoonOutlined />
    </button>
  );
}

const SYSTEMS: readonly (readonly [UnitSystem, string, string])[] = [
  ['metric', 'µm °C', 'Metric units'],
  ['us', 'mil °F', 'US units'],
];

function UnitSwitch() {
  const { system } = useUnits();
  return (
    <div className="unit-switch" role="group" aria-label="Units">
      {SYSTEMS.map(([name, text, words]) => (
        <button
          key={name}
          type="button"
          aria-pressed={system === name}
          aria-label={words}
          onClick={() => useUnits.setState({ system: name })}
        >
          {text}
        </button>
      ))}
    </div>
  );
}
