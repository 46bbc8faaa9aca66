// Lengths of functions and files, and how often the code tells the compiler to take its word.
import ts from 'typescript';
import { walk, type Source } from './sources';

/** A function and how many lines it takes, its head included. */
export interface FunctionSize {
  file: string;
  name: string;
  lines: number;
}

type WithBody = ts.FunctionLikeDeclaration & { body: ts.Node };

const hasBody = (node: ts.Node): node is WithBody =>
  (ts.isFunctionDeclaration(node) ||
    ts.isMethodDeclaration(node) ||
    ts.isArrowFunction(node) ||
    ts.isFunctionExpression(node) ||
    ts.isConstructorDeclaration(node) ||
    ts.isAccessor(node)) &&
  node.body !== undefined;

function nameOf(node: WithBody): string {
  const named = node.name ?? (ts.isVariableDeclaration(node.parent) ? node.parent.name : undefined);
  if (named) return named.getText();
  if (ts.isPropertyAssignment(node.parent)) return node.parent.name.getText();
  return ts.isConstructorDeclaration(node) ? 'constructor' : 'a function without a name';
}

/** All functions with a body, those inside others counted too. */
export function functionSizes({ file, tree }: Source): FunctionSize[] {
  const sizes: FunctionSize[] = [];
  const lineAt = (position: number) => tree.getLineAndCharacterOfPosition(position).line;
  walk(tree, (node) => {
    if (!hasBody(node)) return;
    const lines = lineAt(node.getEnd()) - lineAt(node.getStart(tree)) + 1;
    sizes.push({ file, name: nameOf(node), lines });
  });
  return sizes;
}

/** `value!`: the compiler is told that something is there. */
export function nonNullAssertions({ tree }: Source): number {
  return count(tree, ts.isNonNullExpression);
}

/** `value as Type`, but `as const`. */
export function casts({ tree }: Source): number {
  return count(
    tree,
    (node) =>
      (ts.isAsExpression(node) && node.type.getText(tree) !== 'const') || ts.isTypeAssertionExpression(node),
  );
}

/** Comments that begin with a question word, as a title would, where a sentence says more. */
export function titleComments({ tree }: Source): number {
  // A line in the middle of a comment may begin so: the sentence began before it.
  const beginning = /(?:\/\*\*(?:\s*\n\s*\*)?|(?<!^\s*\/\/.*\n)^\s*\/\/) (?:What|Who|Where|Of|How)\b/gm;
  return (tree.text.match(beginning) ?? []).length;
}

function count(tree: ts.SourceFile, isOne: (node: ts.Node) => boolean): number {
  let found = 0;
  walk(tree, (node) => {
    if (isOne(node)) found += 1;
  });
  return found;
}
