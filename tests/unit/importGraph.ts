// Which modules of the project are loaded with a module: its imports that are left when types are gone, and theirs.
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const ROOT = path.resolve(__dirname, '../..');
const ENDINGS = ['', '.ts', '.tsx'];

function fileOf(from: string, specifier: string): string | null {
  const base = specifier.startsWith('@/')
    ? path.join(ROOT, 'src', specifier.slice(2))
    : specifier.startsWith('.')
      ? path.resolve(path.dirname(from), specifier)
      : null;
  if (base === null) return null;
  const file = ENDINGS.map((ending) => base + ending).find((each) =>
    fs.statSync(each, { throwIfNoEntry: false })?.isFile(),
  );
  return file && /\.tsx?$/.test(file) ? file : null;
}

/** Imports of a file that remain in the script: no types, and nothing that is fetched later by `import()`. */
function importsOf(file: string): string[] {
  const script = ts.transpileModule(fs.readFileSync(file, 'utf8'), {
    fileName: file,
    compilerOptions: {
      target: ts.ScriptTarget.ES2022,
      module: ts.ModuleKind.ESNext,
      jsx: ts.JsxEmit.ReactJSX,
    },
  }).outputText;
  const source = ts.createSourceFile('script.js', script, ts.ScriptTarget.ES2022);
  return source.statements.flatMap((statement) =>
    (ts.isImportDeclaration(statement) || ts.isExportDeclaration(statement)) &&
    statement.moduleSpecifier &&
    ts.isStringLiteral(statement.moduleSpecifier)
      ? [statement.moduleSpecifier.text]
      : [],
  );
}

/** Files below the root that are loaded with some others, each with the file by which it came in; null for the first ones. */
export function loadedWith(entries: readonly string[]): Map<string, string | null> {
  const found = new Map<string, string | null>();
  const open: [file: string, by: string | null][] = entries.map((entry) => [path.join(ROOT, entry), null]);
  for (let next = open.pop(); next; next = open.pop()) {
    const [file, by] = next;
    const name = path.relative(ROOT, file);
    if (found.has(name)) continue;
    found.set(name, by);
    for (const specifier of importsOf(file)) {
      const imported = fileOf(file, specifier);
      if (imported) open.push([imported, name]);
    }
  }
  return found;
}
