// jsdom lays nothing out: a table that draws only what is in view is as high as twenty rows.
const SIZES = { clientHeight: 880, clientWidth: 1200 };

/** For all tests of a file. */
export function laidOut(): void {
  beforeAll(() => {
    for (const [name, value] of Object.entries(SIZES))
      Object.defineProperty(HTMLElement.prototype, name, { configurable: true, get: () => value });
  });
  afterAll(() => {
    // What jsdom gives stands on the prototype above
    for (const name of Object.keys(SIZES)) Reflect.deleteProperty(HTMLElement.prototype, name);
  });
}
