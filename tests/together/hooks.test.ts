/** @jest-environment jsdom */
import { testsUnder, together, wantsPage } from './together.ts';

together(testsUnder('src').filter(wantsPage));
