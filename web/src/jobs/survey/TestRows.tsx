import {
  TEST_FORMS,
  TEST_KINDS,
  gaugeFigures,
  meaningOf,
  readReadings,
  withTest,
  withoutTest,
  type TestKind,
  type Zone,
  type ZoneTest,
} from '@blue-ledge/core';
import { Input, Select } from 'antd';
import { useState } from 'react';
import { useFormat } from '../../state/units.ts';

interface TestRowsProps {
  readonly zone: Zone;
  readonly onChange: (zone: Zone, field: string) => void;
}

/** What was tested on the zone, what was seen and what that means; untested stays unknown. */
export function TestRows({ zone, onChange }: TestRowsProps) {
  const kinds = TEST_KINDS.filter((kind) => TEST_FORMS[kind].fits(zone) || testIn(zone, kind));
  return (
    <section aria-labelledby="tests-head" className="test-rows">
      <h3 id="tests-head">Tests</h3>
      {kinds.map((kind) => (
        <TestRow
          key={kind}
          kind={kind}
          zone={zone}
          onTest={(test) => onChange(test ? withTest(zone, test) : withoutTest(zone, kind), `test ${kind}`)}
        />
      ))}
    </section>
  );
}

const testIn = (zone: Zone, kind: TestKind): ZoneTest | undefined =>
  zone.tests?.find((test) => test.kind === kind);

interface TestRowProps {
  readonly kind: TestKind;
  readonly zone: Zone;
  readonly onTest: (test: ZoneTest | null) => void;
}

function TestRow({ kind, zone, onTest }: TestRowProps) {
  const { label, how, outcomes } = TEST_FORMS[kind];
  const done = testIn(zone, kind);
  return (
    <div className="field">
      <span className="note" id={`how-${kind}`}>
        <b>{label}.</b> {how}
      </span>
      {outcomes === 'readings' ? (
        <Readings done={done} onTest={onTest} />
      ) : outcomes === 'mark' ? (
        <Mark done={done} onTest={onTest} />
      ) : (
        <Select
          aria-label={label}
          aria-describedby={`how-${kind}`}
          popupMatchSelectWidth={false}
          value={done && 'outcome' in done ? (done.outcome as string | number) : NOT_DONE}
          options={[
            { value: NOT_DONE, label: NOT_DONE },
            ...outcomes.map(({ value, seen, means }) => ({ value, label: `${seen}: ${means}` })),
          ]}
          onChange={(outcome) => onTest(outcome === NOT_DONE ? null : ({ kind, outcome } as ZoneTest))}
        />
      )}
      {done && typeof outcomes === 'string' && <span className="note">Means: {meaningOf(done)}.</span>}
    </div>
  );
}

const NOT_DONE = 'not done';

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

/** Readings as they are read off the gauge, µm in any unit system: gauges of this kind show µm. */
function Readings({ done, onTest }: TypedProps) {
  const { quantity } = useFormat();
  const [isWrong, setIsWrong] = useState(false);
  const readings = done?.kind === 'gauge' ? done.readingsUm : [];
  const figures = readings.length > 0 ? gaugeFigures(readings) : null;
  return (
    <>
      <Input
        aria-label="Gauge readings in µm"
        placeholder="µm, for example 95 102 98 110 104"
        status={isWrong ? 'error' : ''}
        defaultValue={readings.join(' ')}
        onBlur={({ target }) => {
          const typed = target.value.trim();
          const read = readReadings(typed);
          setIsWrong(typed !== '' && read === null);
          if (typed === '') onTest(null);
          else if (read) onTest({ kind: 'gauge', readingsUm: read });
        }}
        onPressEnter={({ currentTarget }) => currentTarget.blur()}
      />
      {isWrong && (
        <p className="field-problem" role="alert">
          Readings are numbers from 0 to 20 000 µm, apart by spaces: take out what is none.
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
