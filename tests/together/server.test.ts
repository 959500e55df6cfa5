import { testsUnder, together } from './together.ts';

together(testsUnder('tests/api'));
