import { inParts, testsUnder, together, wantsPage } from './together.ts';

together(
  inParts(
    testsUnder('src').filter((file) => !wantsPage(file)),
    2,
  )[0] ?? [],
);
