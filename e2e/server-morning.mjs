/** Loaded before the server: its clock goes on from the same Monday morning as the browser's (shop-day.ts). */
const RealDate = Date;
const shiftMs = RealDate.parse(process.env.LEDGE_MORNING) - RealDate.now();
const now = () => RealDate.now() + shiftMs;
globalThis.Date = new Proxy(RealDate, {
  construct: (target, args) => Reflect.construct(target, args.length === 0 ? [now()] : args),
  get: (target, name) => (name === 'now' ? now : Reflect.get(target, name)),
});
