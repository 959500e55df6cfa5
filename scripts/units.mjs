import { relative, resolve } from 'node:path';
import ts from 'typescript';

/**
 * Holds quantities to the unit in their names: nothing called mm may be given what is called kg, be
 * added to it or be compared with it, and whatever has a unit in its name is a number. `npm run units [file ...]`.
 */
const UNITS = [
  ['NMmPerDeg', 'N mm per degree'],
  ['NPerMm', 'N/mm'],
  ['KgPerMm', 'kg/mm'],
  ['DegPerMm', 'degrees per mm'],
  ['Cm3', 'cm³'],
  ['Mm2', 'mm²'],
  ['Mm', 'mm'],
  ['Kg', 'kg'],
  ['Bar', 'bar'],
  ['Deg', 'degrees'],
  ['Degrees', 'degrees'],
  ['Km', 'km'],
  ['Hz', 'Hz'],
  ['Share', 'share'],
  ['Turns', 'turns'],
  ['Clicks', 'clicks'],
  ['N', 'N'],
];
/** Names that are a unit by themselves. */
const WHOLE = new Map(
  Object.entries({
    mm: 'mm',
    kg: 'kg',
    bar: 'bar',
    km: 'km',
    deg: 'degrees',
    turns: 'turns',
    clicks: 'clicks',
    share: 'share',
    nPerMm: 'N/mm',
  }),
);

function unitOf(name) {
  if (WHOLE.has(name)) return WHOLE.get(name);
  const found = UNITS.find(
    ([suffix]) => name.endsWith(suffix) && /[a-z0-9]$/.test(name.slice(0, -suffix.length)),
  );
  return found?.[1];
}

const configPath = ts.findConfigFile(process.cwd(), ts.sys.fileExists, 'tsconfig.json');
const { config } = ts.readConfigFile(configPath, ts.sys.readFile);
const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, process.cwd());
const asked = process.argv.slice(2).map((file) => resolve(file));
const isSource = (fileName) => fileName.includes('/src/') && !fileName.includes('/node_modules/');
const host = ts.createCompilerHost(options);
// Nothing is asked of comments.
host.jsDocParsingMode = ts.JSDocParsingMode.ParseNone;
const program = ts.createProgram(asked.length > 0 ? asked : fileNames.filter(isSource), options, host);
const checker = program.getTypeChecker();
const faults = [];
const say = (node, words) => {
  const source = node.getSourceFile();
  const { line } = source.getLineAndCharacterOfPosition(node.getStart());
  faults.push(`${relative(process.cwd(), source.fileName)}:${line + 1}: ${words}`);
};

const isNumber = (type) =>
  (type.isUnion() ? type.types : [type]).some((one) => one.flags & ts.TypeFlags.NumberLike);

/** The units that the value of an expression may be in, by the names it is made of, each with where it is named. */
function unitsIn(node) {
  if (
    ts.isParenthesizedExpression(node) ||
    ts.isNonNullExpression(node) ||
    ts.isAsExpression(node) ||
    ts.isSatisfiesExpression(node)
  )
    return unitsIn(node.expression);
  if (ts.isPrefixUnaryExpression(node)) return unitsIn(node.operand);
  if (ts.isConditionalExpression(node)) return [...unitsIn(node.whenTrue), ...unitsIn(node.whenFalse)];
  if (ts.isBinaryExpression(node)) {
    const { kind } = node.operatorToken;
    if (
      [ts.SyntaxKind.QuestionQuestionToken, ts.SyntaxKind.PlusToken, ts.SyntaxKind.MinusToken].includes(kind)
    )
      return [...unitsIn(node.left), ...unitsIn(node.right)];
    return [];
  }
  if (ts.isCallExpression(node)) {
    const called = node.expression;
    if (
      ts.isPropertyAccessExpression(called) &&
      called.expression.getText() === 'Math' &&
      ['abs', 'min', 'max', 'round', 'hypot'].includes(called.name.text)
    )
      return node.arguments.flatMap((one) => unitsIn(one));
    return named(ts.isPropertyAccessExpression(called) ? called.name : called, node);
  }
  if (ts.isPropertyAccessExpression(node)) return named(node.name, node);
  return ts.isIdentifier(node) ? named(node, node) : [];
}

function named(name, node) {
  if (!ts.isIdentifier(name) || name.text === 'NaN') return [];
  const unit = unitOf(name.text);
  return unit ? [{ unit, node }] : [];
}

/** What something of the unit may not be given. Types are asked for last: most names agree, and asking is slow. */
const othersIn = (value, unit) =>
  new Set(
    unitsIn(value)
      .filter((one) => one.unit !== unit && isNumber(checker.getTypeAtLocation(one.node)))
      .map((one) => one.unit),
  );

function given(node, name, value) {
  const unit = unitOf(name);
  if (!unit || !value) return;
  for (const other of othersIn(value, unit))
    say(node, `${name} is given ${other}: ${value.getText().slice(0, 60)}`);
}

function together(node) {
  for (const left of unitsIn(node.left)) {
    const others = othersIn(node.right, left.unit);
    if (others.size === 0 || !isNumber(checker.getTypeAtLocation(left.node))) continue;
    for (const other of others) say(node, `${left.unit} and ${other} in ${node.getText().slice(0, 60)}`);
  }
}

const MIXED = new Set([
  ts.SyntaxKind.PlusToken,
  ts.SyntaxKind.MinusToken,
  ts.SyntaxKind.LessThanToken,
  ts.SyntaxKind.LessThanEqualsToken,
  ts.SyntaxKind.GreaterThanToken,
  ts.SyntaxKind.GreaterThanEqualsToken,
  ts.SyntaxKind.EqualsEqualsEqualsToken,
  ts.SyntaxKind.ExclamationEqualsEqualsToken,
]);

/** What is called takes: as it is declared where there is one way to call it, which is quicker than to resolve a call. */
function parametersOf(node) {
  const called = checker.getTypeAtLocation(node.expression);
  const ways = ts.isNewExpression(node) ? called.getConstructSignatures() : called.getCallSignatures();
  return (ways.length === 1 ? ways[0] : checker.getResolvedSignature(node))?.parameters ?? [];
}

function isText(type) {
  const parts = type.isUnion() ? type.types : [type];
  return parts.some((one) => one.flags & (ts.TypeFlags.StringLike | ts.TypeFlags.BooleanLike));
}

function visit(node) {
  if (ts.isPropertyAssignment(node) && ts.isIdentifier(node.name))
    given(node, node.name.text, node.initializer);
  else if (ts.isVariableDeclaration(node) && ts.isIdentifier(node.name))
    given(node, node.name.text, node.initializer);
  else if (ts.isJsxAttribute(node) && node.initializer && ts.isJsxExpression(node.initializer))
    given(node, node.name.getText(), node.initializer.expression);
  else if (
    ts.isBindingElement(node) &&
    node.propertyName &&
    ts.isIdentifier(node.propertyName) &&
    ts.isIdentifier(node.name)
  ) {
    const [from, to] = [unitOf(node.propertyName.text), unitOf(node.name.text)];
    if (from && to && from !== to) say(node, `${node.name.text} is given ${from}: ${node.propertyName.text}`);
  } else if (ts.isBinaryExpression(node)) {
    const { kind } = node.operatorToken;
    if (MIXED.has(kind)) together(node);
    else if (kind === ts.SyntaxKind.EqualsToken && ts.isPropertyAccessExpression(node.left))
      given(node, node.left.name.text, node.right);
    else if (kind === ts.SyntaxKind.EqualsToken && ts.isIdentifier(node.left))
      given(node, node.left.text, node.right);
  } else if (ts.isCallExpression(node) || ts.isNewExpression(node)) {
    const withUnits = node.arguments?.some((value) => unitsIn(value).length > 0);
    const parameters = withUnits ? parametersOf(node) : [];
    node.arguments?.forEach((value, k) => {
      const name = parameters[k]?.name;
      if (name) given(value, name, value);
    });
  } else if (
    (ts.isPropertySignature(node) || ts.isParameter(node) || ts.isPropertyDeclaration(node)) &&
    ts.isIdentifier(node.name)
  ) {
    if (unitOf(node.name.text) && isText(checker.getTypeAtLocation(node)))
      say(node, `${node.name.text} is no number`);
  }
  ts.forEachChild(node, visit);
}

const isOurs = ({ fileName, isDeclarationFile }) =>
  !isDeclarationFile && (asked.length > 0 ? asked.includes(fileName) : isSource(fileName));
program.getSourceFiles().filter(isOurs).forEach(visit);

if (faults.length > 0) {
  console.error(faults.join('\n'));
  process.exitCode = 1;
} else console.log('every quantity keeps to the unit in its name');
