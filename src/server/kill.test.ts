import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aLine, aShow } from '../../tests/unit/shows';
import { openDatabase } from './database';
import { ShowRepository } from './shows';

const ROOT = path.resolve(__dirname, '../..');

jest.setTimeout(60_000);

it('keeps every change that was answered when the process is killed', async () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-kill-'));
  const id = new ShowRepository(openDatabase(folder)).create({
    show: aShow({ props: [aLine('rail', 5)] }),
    facts: [],
  });
  for (let round = 0; round < 3; round += 1) {
    const before = new ShowRepository(openDatabase(folder)).get(id).sequence;
    // The condition lets server-only parts load outside of the application.
    const writer = spawn(
      process.execPath,
      ['--conditions', 'react-server', '--import', 'tsx', 'tests/unit/endlessWriter.ts', folder, id],
      { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] },
    );
    let said = '';
    writer.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      // Somewhere in the middle of a change, as good as any other moment.
      if (said.split('\n').length > 40 + round * 17) writer.kill('SIGKILL');
    });
    await new Promise((resolve) => writer.on('close', resolve));
    const lines = said.trim().split('\n');
    const answered = Number(lines.at(-1)!.split(' ')[0]);
    expect(answered).toBeGreaterThanOrEqual(before + 40);
    const shows = new ShowRepository(openDatabase(folder));
    const { sequence } = shows.get(id);
    // At most the change that had not been answered is more than what was said.
    expect(sequence - answered).toBeGreaterThanOrEqual(0);
    expect(sequence - answered).toBeLessThanOrEqual(1);
    for (const line of lines) {
      const [at, name] = line.split(' ');
      expect(shows.at(id, Number(at)).name).toBe(name);
    }
  }
  fs.rmSync(folder, { recursive: true, force: true });
});
