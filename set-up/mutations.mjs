// Single changes that a slip of the hand might make: a figure doubled or halved, a comparison turned, a sum for a difference, a condition left out.
import ts from 'typescript';

const { SyntaxKind: K } = ts;
const OPERATORS = new Map([
  [K.LessThanToken, ['<=', '>']],
  [K.LessThanEqualsToken, ['<', '>']],
  [K.GreaterThanToken, ['>=', '<']],
  [K.GreaterThanEqualsToken, ['>', '<']],
  [K.EqualsEqualsEqualsToken, ['!==']],
  [K.ExclamationEqualsEqualsToken, ['===']],
  [K.PlusToken, ['-']],
  [K.MinusToken, ['+']],
  [K.AsteriskToken, ['/']],
  [K.SlashToken, ['*']],
  [K.AmpersandAmpersandToken, ['||']],
  [K.BarBarToken, ['&&']],
]);
const CALLS = new Map([
  ['Math.min', 'Math.max'],
  ['Math.max', 'Math.min'],
  ['Math.floor', 'Math.ceil'],
  ['Math.ceil', 'Math.floor'],
  ['some', 'every'],
  ['every', 'some'],
]);

/** Inside a schema's words, an import, or a type, nothing is changed. */
const isAside = (node) =>
  ts.isImportDeclaration(node) ||
  ts.isExportDeclaration(node) ||
  ts.isTypeNode(node) ||
  ts.isInterfaceDeclaration(node) ||
  ts.isTypeAliasDeclaration(node);

const figure = (text) => {
  const value = Number(text.replaceAll('_', ''));
  if (!Number.isFinite(value)) return [];
  return value === 0 ? ['1'] : value === 1 ? ['2'] : [`${value * 2}`, `${value / 2}`];
};

function changesOf(node) {
  // A hair that rounding is forgiven (1e-6) is no limit of anything.
  if (ts.isNumericLiteral(node))
    return /e-/.test(node.getText()) ? [] : figure(node.text).map((to) => [node, to]);
  if (ts.isBinaryExpression(node))
    return (OPERATORS.get(node.operatorToken.kind) ?? []).map((to) => [node.operatorToken, to]);
  if (ts.isPrefixUnaryExpression(node) && node.operator === K.ExclamationToken)
    return [[node, node.operand.getText()]];
  if (ts.isConditionalExpression(node))
    return [
      [node.condition, 'true'],
      [node.condition, 'false'],
    ];
  if (ts.isIfStatement(node)) return [[node.expression, 'false']];
  if (ts.isCallExpression(node)) {
    const name = ts.isPropertyAccessExpression(node.expression) ? node.expression.name.text : '';
    const whole = node.expression.getText();
    if (CALLS.has(whole)) return [[node.expression, CALLS.get(whole)]];
    if (CALLS.has(name) && ts.isPropertyAccessExpression(node.expression))
      return [[node.expression.name, CALLS.get(name)]];
  }
  return [];
}

/** Every single change to one file, with where it is and what stood there. */
export function mutationsOf(file, text) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const visit = (node) => {
    if (isAside(node)) return;
    for (const [at, to] of changesOf(node)) {
      const from = at.getStart();
      const line = source.getLineAndCharacterOfPosition(from).line + 1;
      found.push({
        file,
        from,
        end: at.end,
        to,
        was: `${node.getText().replace(/\s+/g, ' ').slice(0, 70)}`,
        line,
      });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
