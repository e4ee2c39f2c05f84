/**
 * Where a node's children are, by its type, types and names that are no expressions left out. From the
 * syntax tree's specification (Babel AST format); a type that is missing here is searched whole.
 */
const TABLE = `
ArrayExpression elements
ArrayPattern elements
ArrowFunctionExpression params body
AssignmentExpression left right
AssignmentPattern left right
AwaitExpression argument
BigIntLiteral
BinaryExpression left right
BlockStatement body
BooleanLiteral
BreakStatement
CallExpression callee arguments
CatchClause param body
ClassBody body
ClassDeclaration superClass decorators body
ClassExpression superClass decorators body
ClassMethod key params body
ClassProperty key value decorators
ConditionalExpression test consequent alternate
ContinueStatement
DebuggerStatement
Decorator expression
Directive
DoWhileStatement body test
EmptyStatement
ExportAllDeclaration
ExportDefaultDeclaration declaration
ExportNamedDeclaration declaration specifiers
ExpressionStatement expression
ForInStatement left right body
ForOfStatement left right body
ForStatement init test update body
FunctionDeclaration params body
FunctionExpression params body
Identifier
IfStatement test consequent alternate
Import
ImportExpression source
JSXAttribute value
JSXClosingElement
JSXClosingFragment
JSXElement openingElement children
JSXEmptyExpression
JSXExpressionContainer expression
JSXFragment children
JSXIdentifier
JSXOpeningElement name attributes
JSXOpeningFragment
JSXSpreadAttribute argument
JSXSpreadChild expression
JSXText
LabeledStatement body
LogicalExpression left right
MemberExpression object property
MetaProperty
NewExpression callee arguments
NullLiteral
NumericLiteral
ObjectExpression properties
ObjectMethod key params body
ObjectPattern properties
ObjectProperty key value
OptionalCallExpression callee arguments
OptionalMemberExpression object property
ParenthesizedExpression expression
PrivateName
Program body
RegExpLiteral
RestElement argument
ReturnStatement argument
SequenceExpression expressions
SpreadElement argument
StaticBlock body
StringLiteral
Super
SwitchCase test consequent
SwitchStatement discriminant cases
TSAsExpression expression
TSInterfaceDeclaration
TSNonNullExpression expression
TSSatisfiesExpression expression
TSTypeAliasDeclaration
TaggedTemplateExpression tag quasi
TemplateElement
TemplateLiteral expressions
ThisExpression
ThrowStatement argument
TryStatement block handler finalizer
UnaryExpression argument
UpdateExpression argument
VariableDeclaration declarations
VariableDeclarator id init
WhileStatement test body
YieldExpression argument
`;

export const CHILD_KEYS: ReadonlyMap<string, readonly string[]> = new Map(
  TABLE.trim()
    .split('\n')
    .map((line): [string, string[]] => {
      const [type, ...keys] = line.split(' ');
      return [type!, keys];
    }),
);
