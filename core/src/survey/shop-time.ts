import { z } from 'zod';

/** Who works in a shop and when: people with their hours, breaks and days off, and the shop's holidays. */

const MINUTES_AN_HOUR = 60;
const TIME = /^([01]\d|2[0-3]):([0-5]\d)$|^24:00$/;

const timeText = z.string().regex(TIME, 'must be a time like 08:00');
const dayText = z.iso.date('must be a day like 2026-12-07');

/** Minutes after midnight of a time such as "08:30". */
export function minutesOf(time: string): number {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * MINUTES_AN_HOUR + minutes;
}

const isInOrder = ({ from, to }: { readonly from: string; readonly to: string }): boolean => from < to;

export const hoursSchema = z
  .object({ from: timeText, to: timeText })
  .refine(isInOrder, { path: ['to'], message: 'must be later than the beginning' });
export type Hours = z.infer<typeof hoursSchema>;

export const breaksSchema = z.array(hoursSchema).max(6, 'may hold at most 6 breaks');

export const daysOffSchema = z.array(
  z
    .object({ from: dayText, to: dayText })
    .refine(({ from, to }) => from <= to, { path: ['to'], message: 'must not be before the first day' }),
);

export const personSchema = z.looseObject({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, 'needs a name').max(60, 'must be at most 60 characters'),
  /** Its own hours; the shop's where it does not say. */
  hours: hoursSchema.optional(),
  /** Days of the week on which it works, 1 for Monday to 7 for Sunday; the shop's where it does not say. */
  days: z.array(z.number().int().min(1).max(7)).min(1, 'needs at least one day').max(7).optional(),
  breaks: breaksSchema.optional(),
  daysOff: daysOffSchema.max(200).optional(),
});
export type Person = z.infer<typeof personSchema>;

export const peopleSchema = z
  .array(personSchema)
  .max(40, 'may hold at most 40 people')
  .refine(
    (people) => new Set(people.map(({ id }) => id)).size === people.length,
    'two of them have the same id',
  );

export const holidaysSchema = z.array(dayText).max(400, 'may hold at most 400 days');

/** Fields of a shop that say who works when, and how many booths there are. */
export const SHOP_TIME_FIELDS = {
  people: peopleSchema.optional(),
  /** Breaks of everybody who has none of their own. */
  breaks: breaksSchema.optional(),
  holidays: holidaysSchema.optional(),
  /** Spray booths; one in a shop with a booth and none in a garage where it does not say. */
  booths: z.number().int().min(0).max(20).optional(),
} as const;

/** Hours such as "08:00-17:00"; null for what is none. */
export function readHours(text: string): Hours | null {
  const [from, to, ...more] = text.split('-').map((part) => part.trim());
  if (more.length > 0) return null;
  const read = hoursSchema.safeParse({ from, to });
  return read.success ? read.data : null;
}
