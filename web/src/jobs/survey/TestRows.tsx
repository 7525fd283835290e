import type { Zone } from '@blue-ledge/core';
import { Select } from 'antd';

type ZoneTest = NonNullable<Zone['tests']>[number];

interface TestRowsProps {
  readonly tests: readonly ZoneTest[];
  readonly onChange: (tests: ZoneTest[], field: string) => void;
}

/** Tests that shape a plan of these substrates: what is asked, and what each outcome means. */
const ASKED = [
  {
    kind: 'solvent-rub',
    label: 'Solvent rub',
    how: 'Thinner on a cloth, held half a minute.',
    outcomes: [
      ['none', 'nothing comes off: cross-linked'],
      ['softens', 'colour or softening: soluble'],
    ],
  },
  {
    kind: 'cross-cut',
    label: 'Cross-cut and pull',
    how: 'Six cuts each way, then tape.',
    outcomes: [
      [0, 'class 0, no square comes off'],
      [1, 'class 1, specks at the cuts'],
      [2, 'class 2: this layer comes off'],
      [3, 'class 3: this layer comes off'],
      [4, 'class 4: this layer comes off'],
      [5, 'class 5: this layer comes off'],
    ],
  },
] as const;

const NOT_DONE = 'not done';

/** What was tested on the zone and what was seen; untested stays unknown. */
export function TestRows({ tests, onChange }: TestRowsProps) {
  const put = (kind: ZoneTest['kind'], outcome: string | number): void => {
    const others = tests.filter((test) => test.kind !== kind);
    onChange(outcome === NOT_DONE ? others : [...others, { kind, outcome } as ZoneTest], `test ${kind}`);
  };
  return (
    <section aria-labelledby="tests-head" className="test-rows">
      <h3 id="tests-head">Tests</h3>
      {ASKED.map(({ kind, label, how, outcomes }) => {
        const done = tests.find((test) => test.kind === kind);
        return (
          <div key={kind} className="field">
            <span className="note" id={`how-${kind}`}>
              {label}. {how}
            </span>
            <Select
              aria-label={label}
              aria-describedby={`how-${kind}`}
              popupMatchSelectWidth={false}
              value={done && 'outcome' in done ? (done.outcome as string | number) : NOT_DONE}
              options={[[NOT_DONE, NOT_DONE] as const, ...outcomes].map(([value, words]) => ({
                value,
                label: words,
              }))}
              onChange={(outcome) => put(kind, outcome)}
            />
          </div>
        );
      })}
    </section>
  );
}
