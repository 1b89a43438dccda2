const { TestEnvironment } = require("jest-environment-jsdom");

/** jsdom with the platform parts it lacks and the application uses. */
module.exports = class extends TestEnvironment {
  async setup() {
    await super.setup();
    Object.assign(this.global, { TextEncoder, TextDecoder, structuredClone, fetch, Request, Response, Headers });
    Object.assign(this.global, { CompressionStream, DecompressionStream, Uint8Array });
    this.global.ResizeObserver = class {
      observe() {}
      unobserve() {}
      disconnect() {}
    };
  }
};
