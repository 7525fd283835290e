/** The clock of a server goes on from the same Monday morning as the browser's (shop-day.ts); loaded before its program. */
const RealDate = Date;
let shiftMs = 0;
const now = () => RealDate.now() + shiftMs;

const MINUTE_MS = 60_000;

/** From now on it is that morning, or so many minutes before it; after it where they are negative. */
export function itIsMorning(minutesToGo = 0) {
  shiftMs = RealDate.parse(process.env.LEDGE_MORNING) - minutesToGo * MINUTE_MS - RealDate.now();
}

itIsMorning(-Number(process.env.LEDGE_LATE_MIN ?? 0));
globalThis.Date = new Proxy(RealDate, {
  construct: (target, args) => Reflect.construct(target, args.length === 0 ? [now()] : args),
  get: (target, name) => (name === 'now' ? now : Reflect.get(target, name)),
});
