import {
  TEST_FORMS,
  TEST_KINDS,
  meaningOf,
  withTest,
  withoutTest,
  type TestKind,
  type Zone,
  type ZoneTest,
} from '@blue-ledge/core';
import { Select } from 'antd';
import { useState } from 'react';
import { PlusOutlined } from '../../shared/icons.tsx';
import { TypedTest } from './TypedTest.tsx';

interface TestRowsProps {
  readonly zone: Zone;
  readonly onChange: (zone: Zone, field: string) => void;
}

/** What was tested on the zone, what was seen and what that means; untested stays unknown. */
export function TestRows({ zone, onChange }: TestRowsProps) {
  const [asked, setAsked] = useState<readonly TestKind[]>([]);
  const isShown = (kind: TestKind): boolean =>
    testIn(zone, kind) !== undefined || (TEST_FORMS[kind].isUsual ?? asked.includes(kind));
  const kinds = TEST_KINDS.filter((kind) => TEST_FORMS[kind].fits(zone) || testIn(zone, kind));
  const others = kinds.filter((kind) => !isShown(kind));
  return (
    <section aria-labelledby="tests-head" className="test-rows">
      <h3 id="tests-head">Tests</h3>
      {kinds.filter(isShown).map((kind) => (
        <TestRow
          key={kind}
          kind={kind}
          zone={zone}
          onTest={(test) => onChange(test ? withTest(zone, test) : withoutTest(zone, kind), `test ${kind}`)}
        />
      ))}
      {others.length > 0 && (
        <Select
          className="add-row"
          aria-label="Another test"
          prefix={<PlusOutlined />}
          showSearch={{ optionFilterProp: 'label' }}
          placeholder="Another test"
          popupMatchSelectWidth={false}
          value={null}
          options={others.map((kind) => ({
            value: kind,
            label: `${TEST_FORMS[kind].label}: ${TEST_FORMS[kind].how}`,
          }))}
          onChange={(kind: TestKind | null) => kind && setAsked([...asked, kind])}
        />
      )}
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
      {typeof outcomes === 'string' ? (
        <TypedTest what={outcomes} done={done} onTest={onTest} />
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
