// SWC for Jest, with the globals that hot loops use bound once a module: in the test runner's sandbox every look at a global goes
// through an interceptor, which makes plain arithmetic ten times slower than it is.
import { createTransformer as swc } from '@swc/jest';

const BOUND =
  'const { Math, Infinity, Number, Array, Object, Map, Set, WeakMap, String, Float64Array, Float32Array, Int32Array, Uint8Array } = globalThis;';

export default {
  createTransformer(options) {
    const inner = swc(options);
    const bound = (result) => ({ ...result, code: BOUND + result.code });
    return {
      ...inner,
      process: (...of) => bound(inner.process(...of)),
      processAsync: async (...of) => bound(await inner.processAsync(...of)),
    };
  },
};
