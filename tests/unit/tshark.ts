import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** Whether the reader of captures is on this machine. */
export function hasTshark(): boolean {
  try {
    execFileSync('tshark', ['-v'], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}

/**
 * Reads a capture with tshark: one row of fields for each packet that the filter lets through.
 *
 * @param preferences as `-o` takes them
 */
export function readByTshark(
  capture: Uint8Array,
  fields: readonly string[],
  filter: string,
  preferences: readonly string[] = [],
): string[][] {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-'));
  const file = path.join(folder, 'capture.pcap');
  try {
    fs.writeFileSync(file, capture);
    const options = preferences.flatMap((each) => ['-o', each]);
    const text = execFileSync(
      'tshark',
      [
        '-r',
        file,
        '--enable-heuristic',
        'acn',
        '-Y',
        filter,
        ...options,
        '-T',
        'fields',
        '-E',
        'separator=/t',
        ...fields.flatMap((field) => ['-e', field]),
      ],
      { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] },
    );
    return text
      .split('\n')
      .filter((line) => line !== '')
      .map((line) => line.split('\t'));
  } finally {
    fs.rmSync(folder, { recursive: true });
  }
}
