import {
  dewMarginOf,
  QUANTITIES,
  formatNumber,
  gaugeFigures,
  readReadings,
  type TestForm,
  type ZoneTest,
} from '@blue-ledge/core';
import { Input } from 'antd';
import { useState } from 'react';
import { NumberField } from '../../shared/NumberField.tsx';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';

interface TypedTestProps extends TypedProps {
  readonly what: Extract<TestForm['outcomes'], string>;
}

const FIELDS = { mark: Mark, readings: Readings, celsius: SurfaceTemperature, gap: Straightedge };

/** A test whose outcome is typed in, not picked. */
export function TypedTest({ what, ...rest }: TypedTestProps) {
  const Field = FIELDS[what];
  return <Field {...rest} />;
}

interface TypedProps {
  readonly done: ZoneTest | undefined;
  readonly onTest: (test: ZoneTest | null) => void;
}

function Mark({ done, onTest }: TypedProps) {
  return (
    <Input
      aria-label="Moulding mark"
      placeholder="for example PP/EPDM"
      maxLength={40}
      defaultValue={done && 'outcome' in done ? String(done.outcome) : ''}
      onBlur={({ target }) => {
        const outcome = target.value.trim();
        onTest(outcome ? { kind: 'moulding-mark', outcome } : null);
      }}
      onPressEnter={({ currentTarget }) => currentTarget.blur()}
    />
  );
}

/** Readings as they are read off the gauge, in the units in force. */
function Readings({ done, onTest }: TypedProps) {
  const { quantity, system } = useFormat();
  const [problem, setProblem] = useState<string | null>(null);
  const readings = done?.kind === 'gauge' ? done.readingsUm : [];
  const shown = readings.map((um) => formatNumber('Um', um, system)).join(' ');
  const figures = readings.length > 0 ? gaugeFigures(readings) : null;
  return (
    <>
      <Input
        key={system}
        aria-label={`Gauge readings in ${QUANTITIES.Um[system].symbol}`}
        placeholder={
          system === 'metric' ? 'µm, for example 95 102 98 110 104' : 'mil, for example 3.7 4 3.9 4.3'
        }
        status={problem ? 'error' : ''}
        defaultValue={shown}
        onBlur={({ target }) => {
          const typed = target.value.trim();
          // Left as it is shown, it stays as it was read.
          if (typed === shown) return setProblem(null);
          const read = readReadings(typed, system);
          setProblem(typed !== '' && 'problem' in read ? read.problem : null);
          if (typed === '') onTest(null);
          else if ('um' in read) onTest({ kind: 'gauge', readingsUm: [...read.um] });
        }}
        onPressEnter={({ currentTarget }) => currentTarget.blur()}
      />
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {figures && (
        <span className="note">
          Mean {quantity('Um', figures.meanUm)}, from {quantity('Um', figures.leastUm)} to{' '}
          {quantity('Um', figures.mostUm)}.
        </span>
      )}
    </>
  );
}

const USUAL_CHORD_MM = 300;

/** The gap under a straightedge over its length: a hollow, a wave, or the radius of a crown. */
function Straightedge({ done, onTest }: TypedProps) {
  const [chordMm, setChord] = useState(done?.kind === 'straightedge' ? done.chordMm : USUAL_CHORD_MM);
  const gapMm = done?.kind === 'straightedge' ? done.gapMm : null;
  return (
    <>
      <NumberField
        label="Length of the straightedge"
        quantity="Mm"
        value={chordMm}
        from={20}
        to={5000}
        whenLeft
        onChange={(mm) => {
          setChord(mm);
          if (gapMm !== null) onTest({ kind: 'straightedge', chordMm: mm, gapMm });
        }}
      />
      <NumberField
        label="Gap under it"
        quantity="Mm"
        value={gapMm}
        from={0}
        to={200}
        whenLeft
        onChange={(mm) => onTest({ kind: 'straightedge', chordMm, gapMm: mm })}
        onClear={() => onTest(null)}
      />
    </>
  );
}

const COLDEST_CELSIUS = -40;
const HOTTEST_CELSIUS = 80;

/** Temperature on the panel itself, and how far above the dew point of the shop's air that is. */
function SurfaceTemperature({ done, onTest }: TypedProps) {
  const { quantity } = useFormat();
  const { shop } = usePanelContext().view;
  const surface = done?.kind === 'dew' ? done.surfaceCelsius : null;
  const { marginKelvin, limitKelvin, isEnough } = dewMarginOf({ tests: done ? [done] : [] }, shop);
  return (
    <>
      <NumberField
        label="Surface temperature"
        isLabelHidden
        quantity="Celsius"
        value={surface}
        from={COLDEST_CELSIUS}
        to={HOTTEST_CELSIUS}
        whenLeft
        onChange={(surfaceCelsius) => onTest({ kind: 'dew', surfaceCelsius })}
        onClear={() => onTest(null)}
      />
      {surface !== null && (
        <span className={isEnough ? 'note' : 'field-problem'}>
          {marginKelvin < 0
            ? `${quantity('Kelvin', -marginKelvin)} under the dew point: water stands on it, do not coat.`
            : `${quantity('Kelvin', marginKelvin)} above the dew point, ${quantity('Kelvin', limitKelvin)} needed${isEnough ? '' : ': do not coat'}.`}
        </span>
      )}
    </>
  );
}
