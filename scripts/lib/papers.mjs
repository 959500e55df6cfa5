import { readFileSync } from 'node:fs';

/** What somebody reads beside the product; the mechanics and the architecture are for whoever builds it. */
const PAPERS = [
  'README.md',
  'CONTRIBUTING.md',
  'CHANGELOG.md',
  'docs/cli.md',
  'docs/instruments.md',
  'docs/style.md',
  'docs/api.md',
];

/** Every sentence of the papers, without code, tables and addresses. */
export function paperSentences() {
  return PAPERS.flatMap((file) =>
    readFileSync(file, 'utf8')
      .replace(/```[\s\S]*?```/g, '')
      .replace(/^\|.*$/gm, '')
      .replace(/`[^`]*`/g, '§')
      .replace(/\]\([^)]*\)/g, '')
      .split(/(?<=[.:;?!])\s+|\n\s*\n|\n(?=\s*(?:[-#]|\d+\.) )/)
      .map((sentence) => ({ file, sentence: sentence.replace(/\s+/g, ' ').trim() })),
  );
}
