/*
 * A page for component tests: `import '../testing/dom.ts'` comes first in a test file, before React is loaded.
 * What jsdom lacks and Ant Design asks for is given as a page without layout would give it.
 */
import 'fake-indexeddb/auto';
import { JSDOM } from 'jsdom';

const { window } = new JSDOM('<!doctype html><html lang="en"><body></body></html>', {
  url: 'http://localhost/p/demo/plan',
  pretendToBeVisual: true,
});

class NoResizeObserver {
  observe() {}
  unobserve() {}
  disconnect() {}
}

const OURS = {
  window,
  self: window,
  ResizeObserver: NoResizeObserver,
  matchMedia: (media: string) => ({
    media,
    matches: false,
    addListener: () => undefined,
    removeListener: () => undefined,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }),
  IS_REACT_ACT_ENVIRONMENT: true,
};
const define = (target: object, name: string, value: unknown) =>
  Object.defineProperty(target, name, { value, configurable: true, writable: true });

if (!('window' in globalThis)) {
  // Names that Node has too (events, fetch, crypto) stay those of Node.
  const own = new Set(Object.getOwnPropertyNames(globalThis));

  for (const name of Object.getOwnPropertyNames(window)) {
    if (name.startsWith('_') || own.has(name)) continue;
    define(globalThis, name, (window as unknown as Record<string, unknown>)[name]);
  }
  for (const [name, value] of Object.entries(OURS)) define(globalThis, name, value);
  define(window, 'ResizeObserver', NoResizeObserver);
  define(window, 'matchMedia', OURS.matchMedia);
  define(window.HTMLElement.prototype, 'scrollIntoView', () => undefined);
  // Sheets are not scaled: a pixel of the window is a pixel of the drawing.
  define(window.Element.prototype, 'setPointerCapture', () => undefined);
  define(window.SVGElement.prototype, 'getScreenCTM', () => ({ inverse: () => null }));
  define(
    globalThis,
    'DOMPoint',
    class {
      constructor(
        readonly x: number,
        readonly y: number,
      ) {}
      matrixTransform() {
        return this;
      }
    },
  );
  // Lists that draw only what is in sight see a window of this size.
  for (const [name, px] of Object.entries({ clientWidth: 1280, clientHeight: 800 }))
    Object.defineProperty(window.Element.prototype, name, { get: () => px, configurable: true });
}
