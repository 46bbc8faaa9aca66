// The imports of files: exports that nobody uses, and files and folders that know each other both ways.
import path from 'node:path';
import ts from 'typescript';
import { walk, type Source } from './sources';

/** One import of a file: what is taken, and from where. */
interface Import {
  from: string;
  /** Names that are taken; null where the whole module is. */
  names: readonly string[] | null;
}

/** The imports of each file, by its name; only those of files of the project. */
export type Imports = ReadonlyMap<string, readonly Import[]>;

function resolve(from: string, specifier: string, files: ReadonlySet<string>): string | null {
  const base = specifier.startsWith('@/')
    ? path.posix.join('src', specifier.slice(2))
    : specifier.startsWith('.')
      ? path.posix.join(path.posix.dirname(from), specifier)
      : null;
  if (base === null) return null;
  return ['', '.ts', '.tsx'].map((ending) => base + ending).find((file) => files.has(file)) ?? null;
}

/** Names taken from a dynamic import: `(await import('./x')).name`, `.then(({ name }) => …)`; null where that is not seen. */
function namesOfDynamic(call: ts.CallExpression): readonly string[] | null {
  let outer: ts.Node = call.parent;
  while (ts.isAwaitExpression(outer) || ts.isParenthesizedExpression(outer)) outer = outer.parent;
  if (ts.isPropertyAccessExpression(outer) && outer.name.text !== 'then') return [outer.name.text];
  if (ts.isVariableDeclaration(outer) && ts.isObjectBindingPattern(outer.name))
    return outer.name.elements.map((element) => (element.propertyName ?? element.name).getText());
  return null;
}

const isCallOf = (node: ts.CallExpression, names: readonly string[]) =>
  names.includes(node.expression.getText());

/** Reads the imports of all files, types and dynamic ones included. */
export function importsOf(sources: readonly Source[]): Imports {
  const files = new Set(sources.map(({ file }) => file));
  return new Map(
    sources.map(({ file, tree }) => {
      const found: Import[] = [];
      const add = (specifier: ts.Node | undefined, names: readonly string[] | null) => {
        const from =
          specifier && ts.isStringLiteralLike(specifier) ? resolve(file, specifier.text, files) : null;
        if (from) found.push({ from, names });
      };
      walk(tree, (node) => {
        if (ts.isImportDeclaration(node)) {
          const { importClause: clause } = node;
          const bindings = clause?.namedBindings;
          const whole = bindings !== undefined && ts.isNamespaceImport(bindings);
          const named =
            bindings && ts.isNamedImports(bindings)
              ? bindings.elements.map((element) => (element.propertyName ?? element.name).text)
              : [];
          add(node.moduleSpecifier, whole ? null : [...(clause?.name ? ['default'] : []), ...named]);
        } else if (ts.isExportDeclaration(node)) {
          const names =
            node.exportClause && ts.isNamedExports(node.exportClause)
              ? node.exportClause.elements.map((element) => (element.propertyName ?? element.name).text)
              : null;
          add(node.moduleSpecifier, names);
        } else if (ts.isCallExpression(node)) {
          if (node.expression.kind === ts.SyntaxKind.ImportKeyword)
            add(node.arguments[0], namesOfDynamic(node));
          // Modules are also named where tests stand in for them, and where a thread is begun.
          else if (isCallOf(node, ['jest.mock', 'jest.requireActual', 'require']))
            add(node.arguments[0], null);
        } else if (ts.isImportTypeNode(node)) {
          const literal = ts.isLiteralTypeNode(node.argument) ? node.argument.literal : undefined;
          add(literal, node.qualifier ? [node.qualifier.getText().split('.')[0]!] : null);
        }
      });
      return [file, found] as const;
    }),
  );
}

/** An export and whether it is a type alone. */
export interface Export {
  file: string;
  name: string;
  isType: boolean;
}

function exportsOf({ file, tree }: Source): Export[] {
  const isExported = (node: ts.Node) =>
    ts.canHaveModifiers(node) &&
    (ts.getModifiers(node) ?? []).some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
  const isDefault = (node: ts.Node) =>
    ts.canHaveModifiers(node) &&
    (ts.getModifiers(node) ?? []).some(({ kind }) => kind === ts.SyntaxKind.DefaultKeyword);
  return tree.statements.flatMap((statement): Export[] => {
    if (!isExported(statement)) return [];
    const isType = ts.isInterfaceDeclaration(statement) || ts.isTypeAliasDeclaration(statement);
    if (isDefault(statement)) return [{ file, name: 'default', isType }];
    if (ts.isVariableStatement(statement))
      return statement.declarationList.declarations.flatMap((each) =>
        ts.isIdentifier(each.name) ? [{ file, name: each.name.text, isType: false }] : [],
      );
    const name = (statement as ts.DeclarationStatement).name?.text;
    return name ? [{ file, name, isType }] : [];
  });
}

/** Files that the framework, or a tool, asks for by itself. */
const ASKED_FOR = /^src\/app\/|^src\/instrumentation|^src\/proxy|\.config\.ts$|^bench\/|^scripts\//;

/** Exports of the project that no other file imports. */
export function unusedExports(sources: readonly Source[], imports: Imports): Export[] {
  const used = new Set<string>();
  const whole = new Set<string>();
  for (const list of imports.values())
    for (const { from, names } of list) {
      if (names === null) whole.add(from);
      for (const name of names ?? []) used.add(`${from} ${name}`);
    }
  return sources
    .filter(({ file }) => !ASKED_FOR.test(file) && !whole.has(file))
    .flatMap(exportsOf)
    .filter(({ file, name }) => !used.has(`${file} ${name}`));
}

/** Files that import one another in a circle: the strongly connected parts of more than one file (Tarjan 1972). */
export function filesInCircles(imports: Imports, isOf: (file: string) => boolean): string[] {
  const index = new Map<string, number>();
  const lowest = new Map<string, number>();
  const open: string[] = [];
  const found: string[] = [];
  const visit = (file: string) => {
    index.set(file, index.size);
    lowest.set(file, index.get(file)!);
    open.push(file);
    for (const { from } of imports.get(file) ?? []) {
      if (!isOf(from)) continue;
      if (!index.has(from)) visit(from);
      else if (!open.includes(from)) continue;
      lowest.set(file, Math.min(lowest.get(file)!, lowest.get(from)!));
    }
    if (lowest.get(file) !== index.get(file)) return;
    const part = open.splice(open.indexOf(file));
    if (part.length > 1) found.push(...part);
  };
  for (const file of imports.keys()) if (isOf(file) && !index.has(file)) visit(file);
  return found.sort();
}
