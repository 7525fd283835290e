import type { BrowserContext } from '@playwright/test';

/** Monday morning, before the shop of the demo opens: plans made now start at its opening. */
export const MORNING = '2026-12-07T07:30:00';

/** The person's clock goes on from a Monday morning, whenever a test runs. */
export async function onMondayMorning(context: BrowserContext): Promise<void> {
  await context.addInitScript((morning) => {
    const RealDate = Date;
    const shiftMs = RealDate.parse(morning) - RealDate.now();
    const now = (): number => RealDate.now() + shiftMs;
    globalThis.Date = new Proxy(RealDate, {
      construct: (target, args: unknown[]) =>
        Reflect.construct(target, args.length === 0 ? [now()] : args) as Date,
      get: (target, name) => (name === 'now' ? now : (Reflect.get(target, name) as unknown)),
    });
  }, MORNING);
}
