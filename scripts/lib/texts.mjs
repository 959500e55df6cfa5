import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import ts from 'typescript';

/** Where a person is spoken to: the page, its sentences, the command and what the server answers. */
const ROOMS = ['src/web', 'src/words', 'src/cli', 'src/contract', 'src/server'];
/** Attributes of the page that nobody reads. */
const UNREAD =
  /^(className|look|d|data-.*|key|id|htmlFor|type|viewBox|transform|role|to|path|testId|order|kind|name|draftKey|points)$/;
/** A tag with nothing said in it. */
const isTag = (text) => /^<[^<>]*>$/.test(text);

/** Names of styles and fonts: no sentence has a hyphen between two pieces of every word or a bracket in one. */
const isStyle = (text) =>
  /-gradient\(|\bVariable\b/.test(text) ||
  (!/[.?!,:]( |$)/.test(text) &&
    text.split(' ').filter((word) => /[a-z]-[a-z0-9[]|:[a-z]|\[/.test(word)).length > 0 &&
    !/ (a|the|is|of|to|and|no) /.test(` ${text} `));

/** What a node says, with § for every figure put in; null where it is no text of ours. */
function textOf(node) {
  if (ts.isStringLiteralLike(node)) return node.text;
  if (ts.isJsxText(node)) return node.text.replace(/\s+/g, ' ').trim();
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map((span) => `§${span.literal.text}`).join('');
  return null;
}

/** A paragraph of the page as one text: what stands between its tags, and § for what is put in. */
function paragraphOf(node) {
  return node.children
    .map((child) => {
      if (ts.isJsxText(child)) return child.text.replace(/\s+/g, ' ');
      if (ts.isJsxExpression(child))
        return child.expression && ts.isStringLiteralLike(child.expression) ? child.expression.text : '§';
      return ts.isJsxElement(child) && /^(b|i|em|strong|span|a)$/.test(child.openingElement.tagName.getText())
        ? paragraphOf(child)
        : ' § ';
    })
    .join('')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Every text of the sources that somebody may read: the file and line, and the words. */
export function collectTexts() {
  const files = execFileSync('git', ['ls-files', ...ROOMS], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\./.test(file));
  return files.flatMap((file) => {
    const source = ts.createSourceFile(
      file,
      readFileSync(file, 'utf8'),
      ts.ScriptTarget.Latest,
      true,
      file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
    );
    const found = [];
    const add = (node, text) => {
      if (!text || !/[a-z]{2,} [a-z§(]/i.test(text) || isStyle(text) || isTag(text)) return;
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push({ file, line: line + 1, text });
    };
    const visit = (node) => {
      if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
      if (ts.isJsxAttribute(node) && UNREAD.test(node.name.getText())) return;
      // What only a programmer sees when something is wrong in the program itself.
      if (ts.isNewExpression(node) && node.expression.getText() === 'Error') return;
      if (ts.isTaggedTemplateExpression(node)) return;
      if (
        ts.isJsxElement(node) &&
        /^(p|li|caption|h[1-4]|label|td|th)$/.test(node.openingElement.tagName.getText())
      ) {
        const whole = paragraphOf(node);
        if (node.children.some((child) => ts.isJsxText(child) && child.text.trim() !== '')) {
          add(node, whole);
          // Its own words are in the paragraph; what is put in may have some more.
          node.children.forEach((child) => !ts.isJsxText(child) && visit(child));
          node.openingElement.attributes.properties.forEach(visit);
          return;
        }
      }
      add(node, textOf(node));
      ts.forEachChild(node, visit);
    };
    visit(source);
    return found;
  });
}

/** The sentences of a text. */
export function sentencesOf(text) {
  return text
    .split(/(?<=[.?!…])\s+(?=[A-Z§“(])|;\s/)
    .map((one) => one.trim())
    .filter((one) => wordsOf(one).length > 2);
}

/** The words of a sentence; a figure put in counts as one. */
export function wordsOf(sentence) {
  return sentence.split(/\s+/).filter((word) => /[\p{L}\p{N}§]/u.test(word));
}
