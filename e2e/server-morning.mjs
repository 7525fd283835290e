/** The clock of a server goes on from the same Monday morning as the browser's (shop-day.ts); loaded before its program. */
const RealDate = Date;
let shiftMs = 0;
const now = () => RealDate.now() + shiftMs;

/** From now on it is that morning. */
export function itIsMorning() {
  shiftMs = RealDate.parse(process.env.LEDGE_MORNING) - RealDate.now();
}

itIsMorning();
globalThis.Date = new Proxy(RealDate, {
  construct: (target, args) => Reflect.construct(target, args.length === 0 ? [now()] : args),
  get: (target, name) => (name === 'now' ? now : Reflect.get(target, name)),
});
