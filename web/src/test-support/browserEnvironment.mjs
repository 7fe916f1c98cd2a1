import { TestEnvironment } from 'jest-environment-jsdom';

/**
 * A document as a browser has it, with the requests that Node can make. Addresses without a host go to the
 * server that a test has set as `houseAddress`.
 */
export default class BrowserEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    const { global } = this;
    const absolute = (/** @type {unknown} */ to) =>
      typeof to === 'string'
        ? new URL(to, global['houseAddress'] ?? 'http://127.0.0.1:9').href
        : to;
    class HouseRequest extends Request {
      constructor(/** @type {any} */ to, /** @type {any} */ how) {
        super(/** @type {any} */ (absolute(to)), how);
      }
    }
    // Nothing is laid out here: every picture is as wide as a tablet's column.
    class ResizeObserver {
      constructor(/** @type {(seen: readonly object[]) => void} */ onSize) {
        this.onSize = onSize;
      }
      observe() {
        this.onSize([{ contentRect: { width: 640 } }]);
      }
      disconnect() {}
    }
    Object.assign(global, {
      ResizeObserver,
      fetch: (/** @type {unknown} */ to, /** @type {any} */ how) =>
        fetch(/** @type {any} */ (absolute(to)), how),
      Headers,
      Request: HouseRequest,
      Response,
      AbortController,
      BroadcastChannel,
      AbortSignal,
      TextEncoder,
      TextDecoder,
      structuredClone,
    });
  }
}
