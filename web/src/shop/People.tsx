import { minutesOf, type Hours, type Person, type Shop } from '@blue-ledge/core';
import { Button, DatePicker, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import type { ShopFields } from '../outbox/field-change.ts';
import { PlusOutlined } from '../shared/icons.tsx';
import { NumberInput } from '../shared/NumberInput.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { ThingsPane } from '../shared/ThingsPane.tsx';

interface PeopleProps {
  readonly shop: Shop;
  readonly onChange: (fields: ShopFields) => void;
}

const DATE = 'YYYY-MM-DD';
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((label, i) => ({
  value: i + 1,
  label,
}));
const MOST_BOOTHS = 20;

type DaysOff = NonNullable<Person['daysOff']>;

/** Single days of stretches of them, and back: neighbouring days are one stretch. */
const daysOf = (off: DaysOff): Dayjs[] =>
  off.flatMap(({ from, to }) =>
    Array.from({ length: dayjs(to).diff(dayjs(from), 'day') + 1 }, (_, i) => dayjs(from).add(i, 'day')),
  );
function stretchesOf(days: readonly Dayjs[]): DaysOff {
  const off: DaysOff = [];
  for (const day of days.map((each) => each.format(DATE)).sort()) {
    const last = off.at(-1);
    if (last && dayjs(last.to).add(1, 'day').format(DATE) === day) off[off.length - 1] = { ...last, to: day };
    else off.push({ from: day, to: day });
  }
  return off;
}

/** Text of a rule's hour, "08:00" */
const hourText = (hour: number): string =>
  dayjs()
    .startOf('day')
    .add(hour * 60, 'minute')
    .format('HH:mm');

/** Who works here and when: what the bay reckons with. */
export function People({ shop, onChange }: PeopleProps) {
  const { people = [], breaks = [], holidays = [], booths, profile } = shop;
  const begins = hourText(shop.rules.dayBeginsHour ?? 8);
  const ends = hourText(shop.rules.dayEndsHour ?? 17);
  const hoursOf = ({ hours }: Person): Hours => hours ?? { from: begins, to: ends };
  return (
    <div className="people">
      <ThingsPane<Person>
        title="People and hours"
        about={`Who works here; hours and days are the shop’s (${begins} to ${ends}) where a person has none of their own.`}
        empty="Nobody is named yet: the bay reckons with one technician in the shop’s hours."
        called="person"
        things={people}
        columns={[
          { kind: 'text', head: 'Name', of: 'name', most: 60 },
          {
            kind: 'own',
            head: 'From',
            of: 'hours',
            cell: (person, name, put) => (
              <input
                type="time"
                aria-label={name}
                defaultValue={hoursOf(person).from}
                onBlur={({ target }) => target.value && put({ ...hoursOf(person), from: target.value })}
              />
            ),
          },
          {
            kind: 'own',
            head: 'To',
            of: 'hours',
            cell: (person, name, put) => (
              <input
                type="time"
                aria-label={name}
                defaultValue={hoursOf(person).to}
                onBlur={({ target }) => target.value && put({ ...hoursOf(person), to: target.value })}
              />
            ),
          },
          {
            kind: 'own',
            head: 'Days',
            of: 'days',
            cell: ({ days }, name, put) => (
              <Select
                aria-label={name}
                mode="multiple"
                maxTagCount="responsive"
                placeholder="the shop’s"
                value={days ?? []}
                options={WEEKDAYS}
                onChange={(next: number[]) => put(next.length === 0 ? undefined : next.sort((a, b) => a - b))}
              />
            ),
          },
          {
            kind: 'own',
            head: 'Days off',
            of: 'daysOff',
            cell: ({ daysOff }, name, put) => (
              <DatePicker
                aria-label={name}
                multiple
                maxTagCount="responsive"
                placeholder="none"
                value={daysOf(daysOff ?? [])}
                onChange={(days: Dayjs[] | null) => put(days?.length ? stretchesOf(days) : undefined)}
              />
            ),
          },
        ]}
        make={(id, nth) => ({ id, name: `Person ${nth}` })}
        problemOf={({ hours, name }) =>
          hours && minutesOf(hours.from) >= minutesOf(hours.to)
            ? `${name} goes before coming: the hours are kept once they are in order.`
            : null
        }
        onPut={(id, person) => onChange({ things: { people: { [id]: person } } })}
      />
      <div className="people-shop">
        <fieldset className="breaks">
          <legend>Breaks of everybody</legend>
          {breaks.map((each, nth) => (
            <Break
              key={`${nth} ${each.from} ${each.to}`}
              hours={each}
              name={`Break ${nth + 1}`}
              onChange={(next) => onChange({ shop: { breaks: breaks.with(nth, next) } })}
              onRemove={() => onChange({ shop: { breaks: breaks.filter((_, i) => i !== nth) } })}
            />
          ))}
          {breaks.length < 6 && (
            <Button
              icon={<PlusOutlined />}
              onClick={() => onChange({ shop: { breaks: [...breaks, { from: '12:00', to: '12:30' }] } })}
            >
              Another break
            </Button>
          )}
        </fieldset>
        <label className="field">
          <span>Holidays of the shop</span>
          <DatePicker
            aria-label="Holidays of the shop"
            multiple
            placeholder="none"
            value={holidays.map((day) => dayjs(day))}
            onChange={(days: Dayjs[] | null) =>
              onChange({
                shop: { holidays: days?.length ? days.map((day) => day.format(DATE)).sort() : null },
              })
            }
          />
        </label>
        <label className="field">
          <span>Spray booths</span>
          <NumberInput
            name="Spray booths"
            value={booths ?? (profile === 'booth' ? 1 : 0)}
            from={0}
            to={MOST_BOOTHS}
            digits={0}
            unit=""
            whenLeft
            onChange={(value) => onChange({ shop: { booths: Math.round(value) } })}
          />
        </label>
      </div>
    </div>
  );
}

interface BreakProps {
  readonly hours: Hours;
  readonly name: string;
  readonly onChange: (hours: Hours) => void;
  readonly onRemove: () => void;
}

function Break({ hours, name, onChange, onRemove }: BreakProps) {
  const put = (change: Partial<Hours>): void => {
    const next = { ...hours, ...change };
    if (next.from < next.to) onChange(next);
  };
  return (
    <p className="break">
      <input
        type="time"
        aria-label={`${name} from`}
        defaultValue={hours.from}
        onBlur={({ target }) => target.value && put({ from: target.value })}
      />
      to
      <input
        type="time"
        aria-label={`${name} to`}
        defaultValue={hours.to}
        onBlur={({ target }) => target.value && put({ to: target.value })}
      />
      <RemoveButton label={`Remove ${name}`} onRemove={onRemove} />
    </p>
  );
}
