/** Looked up anew in the sandbox at every use otherwise, which figures feel. */
const INJECTED = ['Math', 'Number', 'Object', 'Array', 'Float64Array', 'Float32Array', 'Uint8Array', 'Map'];
const base = {
  testEnvironment: 'node',
  sandboxInjectedGlobals: [...INJECTED, 'Set'],
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          target: 'es2023',
        },
        module: { type: 'commonjs' },
      },
    ],
  },
};
/** Hooks are tried in a page without a browser, which has no text encoder of its own; their packages come as modules. */
const hooks = {
  setupFiles: ['<rootDir>/tests/textEncoder.ts'],
  transformIgnorePatterns: ['/node_modules/(?!react-hotkeys-hook/)'],
};
const cluster = {
  // Without Set: a package of the server names a class so.
  sandboxInjectedGlobals: INJECTED,
  // What locks backups comes as modules.
  transformIgnorePatterns: ['/node_modules/(?!age-encryption/|@noble/|@scure/)'],
  globalSetup: '<rootDir>/tests/api/globalSetup.mjs',
  globalTeardown: '<rootDir>/tests/api/globalTeardown.mjs',
};

/** What each kind of test needs. */
export const kinds = { unit: { ...base, ...hooks }, server: { ...base, ...cluster } };

// A machine that does other work beside is slow: that is no fault of what is tested. Counts here alone, in no project.
export const testTimeout = 60_000;

export default {
  testTimeout,
  projects: [
    { ...kinds.unit, displayName: 'unit', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...kinds.server, displayName: 'server', testMatch: ['<rootDir>/tests/api/**/*.test.ts'] },
    { ...kinds.server, displayName: 'system', testMatch: ['<rootDir>/tests/system/**/*.test.ts'] },
  ],
};
