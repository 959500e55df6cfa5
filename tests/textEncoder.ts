import { TextDecoder, TextEncoder } from 'node:util';

// A page without a browser lacks them.
Object.assign(globalThis, {
  TextEncoder: globalThis.TextEncoder ?? TextEncoder,
  TextDecoder: globalThis.TextDecoder ?? TextDecoder,
});
