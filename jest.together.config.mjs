import { kinds, testTimeout } from './jest.config.mjs';

const together = (name, kind) => ({
  ...kind,
  displayName: name,
  testMatch: [`<rootDir>/tests/together/${name}.test.ts`],
});

/** The same tests as `npm test` runs them: many files in one process. */
export default {
  testTimeout,
  projects: [
    ...['unit1', 'unit2', 'hooks'].map((name) => together(name, kinds.unit)),
    together('server', kinds.server),
  ],
};
