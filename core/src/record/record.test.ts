import fc from 'fast-check';
import { canonical } from '../units/canonical.ts';
import { minutesOfMoment, momentOfMinutes } from '../units/moment.ts';
import { momentAt } from '../testing/record.ts';
import { NO_HASH, chainOf, hashOfEntry, verifyChain } from './chain.ts';
import { heldOf } from './corrections.ts';
import { newEntrySchema, readEntries, recordSchema, type NewEntry } from './entry.ts';
import { happenedOf } from './happened.ts';

const note = (id: string, minute: number, text: string): NewEntry => ({
  id,
  at: momentAt(minute),
  by: 'Prep A',
  kind: 'note',
  body: { text },
});
const correct = (id: string, corrects: string, body: object | null, more: object = {}): NewEntry => ({
  id,
  at: momentAt(90),
  by: 'Prep B',
  kind: 'correction',
  body: { corrects, body: body as never, ...more },
});

const someNotes = fc
  .array(fc.string({ minLength: 1, maxLength: 20 }), { minLength: 2, maxLength: 12 })
  .map((texts) => texts.map((text, i) => note(`n${i}`, i, text || '-')));

describe('the chain', () => {
  test('canonical JSON as RFC 8785 has it, hashed by SHA-256: worked out apart from this program', () => {
    expect(canonical({ b: [1, true, null, 'ö\n'], a: { '10': 1e21, '9': 0.000001 } })).toBe(
      '{"a":{"10":1e+21,"9":0.000001},"b":[1,true,null,"ö\\n"]}',
    );
    // printf '%s' '{"a":"ü","n":1}' | sha256sum
    expect(hashOfEntry({ n: 1, hash: 'left out', a: 'ü' })).toBe(
      '579979986d1137a3594edd5d5cae2d3d572c430b4300f8dc33d09bd0571afbb2',
    );
  });

  test('a record as it was written is intact, and its head stands for all of it', () => {
    const chain = chainOf([note('a', 0, 'one'), note('b', 1, 'two')]);
    expect(verifyChain(chain)).toEqual({ entries: 2, head: chain[1]!.hash, intact: true });
    expect(verifyChain([])).toEqual({ entries: 0, head: NO_HASH, intact: true });
    expect(recordSchema.safeParse(chain).success).toBe(true);
  });

  test('every kind of tampering is found, at the place where it was done', () => {
    const tamper = fc.constantFrom('change', 'remove', 'swap', 'insert', 'repeat', 'rehash');
    fc.assert(
      fc.property(someNotes, tamper, fc.nat(), (notes, how, where) => {
        const chain = chainOf(notes);
        // Taking the last entries off leaves a whole, shorter record: only its head tells.
        const at = where % (chain.length - 1);
        const [entry, next] = [chain[at]!, chain[at + 1]!];
        const other = { ...entry, body: { text: `${entry.body['text' as never]}!` } };
        const forged = { ...other, hash: hashOfEntry(other) };
        const tampered = {
          change: chain.with(at, other as never),
          remove: chain.toSpliced(at, 1),
          swap: chain.with(at, next).with(at + 1, entry),
          insert: chain.toSpliced(at + 1, 0, { ...other, id: 'new' } as never),
          repeat: chain.toSpliced(at + 1, 0, entry),
          rehash: chain.with(at, forged as never),
        }[how];
        const found = verifyChain(tampered);
        expect(found.intact).toBe(false);
        const expected = how === 'change' || how === 'remove' || how === 'swap' ? at : at + 1;
        expect(found.firstBroken!.index).toBe(expected);
      }),
    );
  });
});

describe('corrections', () => {
  const first = note('a', 10, 'B');
  test('the last word holds, also of a correction of a correction', () => {
    const held = heldOf([first, correct('c1', 'a', { text: 'C' }), correct('c2', 'c1', { text: 'D' })]);
    expect(held.entries).toMatchObject([{ id: 'a', body: { text: 'D' }, correctedBy: ['c1', 'c2'] }]);
  });
  test('an entry may be withdrawn, and said again', () => {
    expect(heldOf([first, correct('c1', 'a', null)])).toMatchObject({
      entries: [],
      withdrawn: [{ id: 'a' }],
    });
    const again = heldOf([first, correct('c1', 'a', null), correct('c2', 'c1', { text: 'E' })]);
    expect(again.entries).toMatchObject([{ body: { text: 'E' } }]);
  });
  test('what holds is in the order in which it happened, whenever it was entered', () => {
    const late = [note('b', 30, 'later'), first, correct('c', 'b', { text: 'first' }, { at: momentAt(1) })];
    expect(heldOf(late).entries.map(({ id }) => id)).toEqual(['b', 'a']);
  });
  test('one that names no entry is said to be lost, and changes nothing', () => {
    expect(heldOf([first, correct('c', 'gone', null)])).toMatchObject({
      entries: [first],
      lost: [{ id: 'c' }],
    });
  });
});

describe('entries', () => {
  const reading = (um: unknown) => ({
    ...note('r', 0, ''),
    kind: 'reading',
    body: { zone: 'A', kind: 'film', um },
  });
  const problemOf = (entry: object): string | undefined =>
    newEntrySchema.safeParse(entry).error?.issues[0]?.message;

  test('a reading that no gauge shows is refused, with the remedy', () => {
    expect(problemOf(reading(9999))).toContain('must be at most 5000 µm');
    expect(problemOf(reading(undefined))).toContain('give what was read');
    expect(problemOf(reading([40, 60]))).toBeUndefined();
  });
  test('fields that nobody here knows ride along', () => {
    const entry = { ...note('n', 0, 'hello'), device: 'tablet 2' };
    expect(readEntries([entry, { nonsense: true }])).toEqual([entry]);
  });
});

describe('the panel’s clock', () => {
  test('a moment is so many minutes after 1970', () => {
    expect(minutesOfMoment('1970-01-02T01:01:30.000Z')).toBe(24 * 60 + 61.5);
    fc.assert(
      fc.property(
        fc.date({ min: new Date(0), max: new Date('2099-12-31T00:00:00Z'), noInvalidDate: true }),
        (date) => {
          expect(minutesOfMoment(date.toISOString())).toBeCloseTo(date.getTime() / 60_000, 3);
          expect(momentOfMinutes(date.getTime() / 60_000)).toBe(date.toISOString());
        },
      ),
    );
  });
  test('it begins when the first work began, by the shop’s clock', () => {
    const wash: NewEntry = {
      id: 'w',
      at: momentAt(20),
      by: 'Prep A',
      kind: 'act',
      body: { op: 'wash', zones: ['A'], minutes: 15 },
    };
    const { start, happenings } = happenedOf([wash], 60);
    expect(start).toEqual({ startOn: '2026-12-07', startMin: 9 * 60 + 5 });
    expect(happenings).toEqual([{ op: 'wash', zones: ['A'], real: { toMin: 15, handsOnMin: 15 } }]);
  });
});
