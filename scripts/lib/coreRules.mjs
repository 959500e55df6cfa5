/**
 * What the core may not do, as rules for the linter: it reads no clock and draws no chance (both are arguments), and it
 * writes no sentences (those are in src/words).
 */
const FOUR_WORDS = /[a-z’]+ [a-z’]+ [a-z’]+ [a-z’]+/i;
const THREE_WORDS = /[a-z’]+ [a-z’]+ [a-z’]+/i;
const NO_SENTENCES =
  'The core writes no sentences: give a code with its figures, and its words in src/words.';

const isNamed = (node, object, property) =>
  node.object.type === 'Identifier' &&
  node.object.name === object &&
  node.property.type === 'Identifier' &&
  node.property.name === property;

const noClockOrChance = {
  create: (context) => ({
    MemberExpression(node) {
      if (isNamed(node, 'Date', 'now')) context.report({ node, message: 'Time is an argument in the core.' });
      if (isNamed(node, 'Math', 'random'))
        context.report({ node, message: 'Pass a seeded generator into the core.' });
    },
    NewExpression(node) {
      if (node.callee.type === 'Identifier' && node.callee.name === 'Date')
        context.report({ node, message: 'Time is an argument in the core.' });
    },
  }),
};

/** A programmer's error is no sentence for the reader: what stands directly in a `new` may have words. */
const noSentences = {
  create: (context) => ({
    Literal(node) {
      if (typeof node.value !== 'string' || node.parent?.type === 'NewExpression') return;
      if (FOUR_WORDS.test(node.value)) context.report({ node, message: NO_SENTENCES });
    },
    TemplateLiteral(node) {
      if (node.parent?.type === 'NewExpression') return;
      if (node.quasis.some(({ value }) => THREE_WORDS.test(value.raw)))
        context.report({ node, message: NO_SENTENCES });
    },
  }),
};

export default {
  meta: { name: 'core' },
  rules: { 'no-clock-or-chance': noClockOrChance, 'no-sentences': noSentences },
};
