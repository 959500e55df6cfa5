import { uncommonWords } from './lib/commonWords.mjs';
import { paperSentences } from './lib/papers.mjs';
import { collectTexts, sentencesOf, wordsOf } from './lib/texts.mjs';

/**
 * Holds the product's own texts and the docs for readers to docs/style.md: words we do not use, words that few know, and how many words a sentence has.
 * `npm run words`, or with a number every sentence of more words than that. Fails past its limits.
 */
const MOST_IN_THE_MEAN = 8;
const MOST_IN_ONE = 22;
const MOST_ON_PAPER = 25;

/** What was once written, and what is written in its place. */
const INSTEAD = [
  [/\b(the|in the) bays\b/i, 'Jobs'],
  [/^reads now$|^wanted$/i, 'Measured height, Target height'],
  [/\bin 100\b/, 'a percentage'],
  [/\blands?\b(?! on)/i, '% chance in tolerance'],
  [/^what is left$/i, 'Margins'],
  [/\bspring seated\b/i, 'Preload at full droop'],
  [/^bump to (metal|stop)$/i, 'Travel left to metal, to the bump stop'],
  [/^over the ground$/i, 'Ground clearance'],
  [/^as far as can be told/i, 'No problem found, from what has been measured'],
  [/opens its sum/i, 'Click a number to see how it was calculated'],
  [/out of reach: decide/i, 'Target cannot be reached: choose what to change'],
  [/^what stands in the way$/i, 'Why it cannot be reached'],
  [/cut open/i, 'Spring cross-section'],
  [/before a hand goes in/i, 'Safety first'],
  [/^done as told$/i, 'Done'],
  [/^told \b/i, 'predicted, or issued'],
  [/hard to get at/i, 'Harder end to reach'],
  [/^ratio by\b/i, 'Motion ratio from'],
  [/\bplush\b|\bfirm inch\b|\bschools?\b/i, 'Soft, Firm; preset or guideline'],
  [/springs will lose/i, 'Allow for settling'],
  [
    /^on the pads$|^pads against each other$|^wanted of the scales$/i,
    'Corner weights, Check the scales, Weight goal',
  ],
  [/right less left/i, 'right minus left'],
  [/^seen to$|^to mind$/i, 'Checklist, Important'],
  [/it is back: recheck/i, 'Start recheck'],
  [/take in a csv|which springs do it|^look through/i, 'Import CSV, Find springs, Search'],
  [/full bump takes|fall it stands for/i, 'Energy to full bump, Equivalent drop height'],
  [/^into a job$|^to the bench$/i, 'Add to job, Continue'],
  [/by that name/i, 'No results'],
  [/\b(he|him|his|she|hers?)\b/i, 'the rider, they'],
];

const texts = collectTexts();
const unused = texts.flatMap(({ file, line, text }) =>
  INSTEAD.filter(([old]) => old.test(text)).map(([, now]) => `${file}:${line}: "${text}": write ${now}`),
);
const sentences = texts.flatMap(({ file, line, text }) =>
  sentencesOf(text).map((sentence) => ({ file, line, sentence, count: wordsOf(sentence).length })),
);
const mean = sentences.reduce((sum, { count }) => sum + count, 0) / sentences.length;
const asked = Number(process.argv[2] ?? MOST_IN_ONE);
const long = sentences.filter(({ count }) => count > asked).sort((a, b) => b.count - a.count);
for (const { file, line, sentence, count } of long)
  console.log(`${file}:${line}: ${count} words: ${sentence}`);
const most = Math.max(...sentences.map(({ count }) => count));
console.log(`${sentences.length} sentences, ${mean.toFixed(1)} words in the mean, ${most} at most`);
if (unused.length > 0) {
  console.error(unused.join('\n'));
  process.exitCode = 1;
}
const lengthy = paperSentences().filter(({ sentence }) => wordsOf(sentence).length > MOST_ON_PAPER);
if (lengthy.length > 0) {
  console.error(lengthy.map(({ file, sentence }) => `${file}: ${sentence}`).join('\n'));
  console.error(`expected at most ${MOST_ON_PAPER} words in a sentence of the docs`);
  process.exitCode = 1;
}
const uncommon = texts.flatMap(({ file, line, text }) =>
  uncommonWords(text).map((word) => `${file}:${line}: "${word}" in "${text}"`),
);
if (uncommon.length > 0) {
  console.error(uncommon.join('\n'));
  console.error('expected words that everybody knows, or the trade (scripts/lib/commonWords.mjs)');
  process.exitCode = 1;
}
if (mean > MOST_IN_THE_MEAN || most > MOST_IN_ONE) {
  console.error(`expected at most ${MOST_IN_THE_MEAN} in the mean and ${MOST_IN_ONE} in one sentence`);
  process.exitCode = 1;
}
