const base = {
  testEnvironment: 'node',
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
const cluster = {
  globalSetup: '<rootDir>/tests/api/globalSetup.mjs',
  globalTeardown: '<rootDir>/tests/api/globalTeardown.mjs',
};

export default {
  projects: [
    { ...base, displayName: 'unit', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...base, ...cluster, displayName: 'server', testMatch: ['<rootDir>/tests/api/**/*.test.ts'] },
    { ...base, ...cluster, displayName: 'system', testMatch: ['<rootDir>/tests/system/**/*.test.ts'] },
  ],
};
