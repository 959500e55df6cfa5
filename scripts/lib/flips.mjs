import ts from 'typescript';

const swaps = {
  [ts.SyntaxKind.PlusToken]: ['-', 'sign'],
  [ts.SyntaxKind.MinusToken]: ['+', 'sign'],
  [ts.SyntaxKind.AsteriskToken]: ['/', 'factor'],
  [ts.SyntaxKind.SlashToken]: ['*', 'factor'],
  [ts.SyntaxKind.LessThanToken]: ['<=', 'comparison'],
  [ts.SyntaxKind.LessThanEqualsToken]: ['<', 'comparison'],
  [ts.SyntaxKind.GreaterThanToken]: ['>=', 'comparison'],
  [ts.SyntaxKind.GreaterThanEqualsToken]: ['>', 'comparison'],
};
const saysText = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);

/** What a node is flipped to and of what kind that is; undefined where it cannot be flipped. */
function flipOf(node) {
  if (ts.isBinaryExpression(node)) {
    const swap = swaps[node.operatorToken.kind];
    return swap && !saysText(node.left) && !saysText(node.right) ? swap : undefined;
  }
  const negates =
    ts.isPrefixUnaryExpression(node) &&
    node.operator === ts.SyntaxKind.MinusToken &&
    !ts.isNumericLiteral(node.operand);
  return negates ? ['', 'sign'] : undefined;
}

const parsed = (file, text) => ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);

/** Every place of a file that can be flipped: where its expression stands, what is written and what would be. */
export function flippablePlaces(file, text) {
  const source = parsed(file, text);
  const places = [];
  const visit = (node) => {
    const flip = flipOf(node);
    if (flip) {
      const at = ts.isBinaryExpression(node) ? node.operatorToken : node;
      places.push({
        file,
        from: node.getStart(source),
        until: node.getEnd(),
        kind: flip[1],
        flipped: flip[0] || 'nothing',
        written: ts.isBinaryExpression(node) ? node.operatorToken.getText(source) : '-',
        line: source.getLineAndCharacterOfPosition(at.getStart(source)).line + 1,
      });
    }
    if (!ts.isTypeNode(node)) ts.forEachChild(node, visit);
  };
  visit(source);
  return places;
}

/** The file's text with each of the places as a choice by `__flipped(id)` between what is written and what is flipped. */
export function switchedText(file, text, places) {
  const source = parsed(file, text);
  const ids = new Map(places.map(({ from, until, id }) => [`${from}:${until}`, id]));
  const write = (node) => {
    const parts = [];
    let at = node.getFullStart();
    ts.forEachChild(node, (child) => {
      parts.push(text.slice(at, child.getFullStart()), write(child));
      at = child.getEnd();
    });
    parts.push(text.slice(at, node.getEnd()));
    const whole = parts.join('');
    const id = ids.get(`${node.getStart(source)}:${node.getEnd()}`);
    const flip = id === undefined ? undefined : flipOf(node);
    if (!flip) return whole;
    const lead = text.slice(node.getFullStart(), node.getStart(source));
    const other = ts.isBinaryExpression(node)
      ? `${write(node.left)} ${flip[0]} ${write(node.right)}`
      : write(node.operand);
    return `${lead}(__flipped(${id}) ? ${other} : ${whole.slice(lead.length)})`;
  };
  // A module's own name for it: in a test's context every look at the global object is slow.
  return `const __flipped = globalThis.__flipped;\n${write(source)}`;
}
