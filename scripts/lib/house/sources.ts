// The code of the project, parsed once, for what is measured in it.
import { execFileSync } from 'node:child_process';
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

/** All TypeScript that the repository holds, new files included. */
export function projectSources(root: string): Source[] {
  const listed = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '--', '*.ts', '*.tsx'], {
    cwd: root,
    encoding: 'utf8',
  });
  return listed
    .split('\n')
    .filter((file) => file !== '' && !file.endsWith('.d.ts') && fs.existsSync(path.join(root, file)))
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
