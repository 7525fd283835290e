/** What browsers have and jsdom has not, as far as the component library asks for it. */

class Observer {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

window.matchMedia ??= (media) =>
  ({
    media,
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
  }) as unknown as MediaQueryList;
window.ResizeObserver ??= Observer;
// jsdom complains of the second argument and needs none.
const styleOf = window.getComputedStyle.bind(window);
window.getComputedStyle = (element) => styleOf(element);
/** Calls back as the real one does: later, in order. */
class Channel {
  port1 = { onmessage: null as (() => void) | null };
  port2 = { postMessage: () => void setTimeout(() => this.port1.onmessage?.()) };
}
window.MessageChannel ??= Channel as unknown as typeof MessageChannel;
