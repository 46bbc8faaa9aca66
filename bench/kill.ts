// Kills a writer in the middle of writing, many times: edits and undo, large imports, photos. Prints what was answered and is not there.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { emptyShow } from '../src/core/show/schema';
import { openDatabase } from '../src/server/database';
import { PhotoRepository } from '../src/server/photos';
import { ShowRepository } from '../src/server/shows';
import { sized, table } from './report';

const KILLS = sized(200, 3);

async function main(): Promise<void> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-kill-'));
  const id = new ShowRepository(openDatabase(folder)).create({ show: emptyShow('Killed'), facts: [] });
  const kills: Record<string, number> = {};
  const answered: Record<string, number> = {};
  const lost: Record<string, number> = {};
  for (let round = 0; round < KILLS; round += 1) {
    const what = ['changes', 'imports', 'photos'][round % 3]!;
    const writer = spawn(
      process.execPath,
      ['--conditions', 'react-server', '--import', 'tsx', 'bench/writer.ts', what, folder, id],
      { stdio: ['ignore', 'pipe', 'inherit'] },
    );
    let said = '';
    const enough = (what === 'imports' ? 1 : 20) + (round % 11);
    let waits = false;
    writer.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (waits || said.split('\n').length <= enough) return;
      waits = true;
      // Somewhere in the middle of the next one, a different place each time.
      setTimeout(() => writer.kill('SIGKILL'), (round * 7) % (what === 'imports' ? 90 : 13));
    });
    await new Promise((resolve) => writer.on('close', resolve));
    const db = openDatabase(folder);
    const shows = new ShowRepository(db);
    const photos = new PhotoRepository(db);
    const lines = said.slice(0, said.lastIndexOf('\n')).split('\n');
    const isThere = (line: string): boolean => {
      const [one, other] = line.split(' ') as [string, string];
      if (what === 'changes') return shows.at(id, Number(one)).name === other;
      return what === 'imports'
        ? shows.get(one).show.props.length === Number(other)
        : photos.find(one) !== undefined;
    };
    kills[what] = (kills[what] ?? 0) + 1;
    answered[what] = (answered[what] ?? 0) + lines.length;
    lost[what] = (lost[what] ?? 0) + lines.filter((line) => !isThere(line)).length;
    if (db.pragma('integrity_check', { simple: true }) !== 'ok') throw new Error('The database is damaged.');
    db.close();
  }
  table(
    'kill',
    Object.keys(kills).map((what) => ({
      written: what,
      kills: kills[what]!,
      answered: answered[what]!.toLocaleString('en'),
      'answered and lost': lost[what]!,
    })),
  );
  fs.rmSync(folder, { recursive: true, force: true });
  if (Object.values(lost).some((count) => count > 0)) process.exitCode = 1;
}

void main();
