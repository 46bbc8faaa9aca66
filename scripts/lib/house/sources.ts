// The code of the project, parsed once, for what is measured in it.
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/** A file of code. */
export interface Source {
  /** From the root: `src/core/units/length.ts`. */
  file: string;
  lines: number;
  tree: ts.SourceFile;
}

/** Parses a text as the file of that name. */
export function sourceOf(file: string, text: string): Source {
  const kind = file.endsWith('.tsx') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  return {
    file,
    lines: text.split('\n').length - 1,
    tree: ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true, kind),
  };
}

const FOLDERS = ['src', 'bench', 'scripts', 'tests'];

/** All TypeScript of the project. */
export function projectSources(root: string): Source[] {
  const below = FOLDERS.flatMap((folder) =>
    fs
      .readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })
      .map((file) => `${folder}/${file}`),
  );
  return [...fs.readdirSync(root), ...below]
    .filter((file) => /\.tsx?$/.test(file) && !file.endsWith('.d.ts'))
    .sort()
    .map((file) => sourceOf(file, fs.readFileSync(path.join(root, file), 'utf8')));
}

/** Tests and what only they use. */
export function isTest(file: string): boolean {
  return /\.test\.tsx?$/.test(file) || file.startsWith('tests/');
}

/** Goes through a tree, the node itself first. */
export function walk(node: ts.Node, visit: (node: ts.Node) => void): void {
  visit(node);
  ts.forEachChild(node, (child) => walk(child, visit));
}
