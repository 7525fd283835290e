import { PlanLine } from '../src/planning/plan-line.ts';

test('a place in line counts what comes first and what is left of one’s own', async () => {
  const line = new PlanLine();
  const ends: (() => void)[] = [];
  const works = ['a', 'b', 'b', 'c'].map((key) =>
    line.during(key, () => new Promise<void>((resolve) => ends.push(resolve))),
  );
  const places = () => ['a', 'b', 'c', 'nobody'].map((key) => line.placeOf(key));
  expect(places()).toEqual([
    { nBefore: 0, nOwn: 1 },
    { nBefore: 1, nOwn: 2 },
    { nBefore: 3, nOwn: 1 },
    { nBefore: 0, nOwn: 0 },
  ]);
  ends[0]!();
  ends[1]!();
  await Promise.all(works.slice(0, 2));
  expect(line.placeOf('c')).toEqual({ nBefore: 1, nOwn: 1 });
  ends.forEach((end) => end());
  await Promise.all(works);
  expect(line.placeOf('b')).toEqual({ nBefore: 0, nOwn: 0 });
});

test('work that fails leaves the line', async () => {
  const line = new PlanLine();
  await expect(line.during('a', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(line.placeOf('a')).toEqual({ nBefore: 0, nOwn: 0 });
});
