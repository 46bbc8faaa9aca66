import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import { aPng } from '../../tests/unit/photos';
import { aLine, aShow } from '../../tests/unit/shows';
import { tries } from '../../tests/unit/tries';
import { collected } from './archive/collect';
import { zipped } from './archive/zip';
import { openDatabase } from './database';
import { PhotoRepository } from './photos';
import { ShowRepository } from './shows';

const ROOT = path.resolve(__dirname, '../..');

jest.setTimeout(60_000);

it('keeps every change that was answered when the process is killed', async () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-kill-'));
  const id = new ShowRepository(openDatabase(folder)).create({
    show: aShow({ props: [aLine('rail', 5)] }),
    facts: [],
  });
  for (const round of [1, 0, 2].slice(0, tries(5))) {
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

it('has a photo and a restored show whole, or not at all, when the process is killed', async () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-kill-'));
  const home = path.join(folder, 'home');
  const db = openDatabase(home);
  const shows = new ShowRepository(db);
  const photoIds = [1, 2, 3].map((grey) => new PhotoRepository(db).keep(aPng(grey, 400, 400)));
  const id = shows.create({ show: aShow({ props: [aLine('rail', 5)] }), facts: [] });
  shows.apply(id, { changeId: 'one', window: null, base: 0 }, { type: 'renameShow', name: 'Night' });
  shows.note(
    id,
    photoIds.map((photoId, i) => ({
      id: `photo-${i}`,
      kind: 'photo',
      list: 'props',
      recordId: 'rail',
      field: `log.${i}`,
      value: { photoId, words: '' },
      at: '2026-11-27T18:00:00Z',
    })),
  );
  const pieces = collected(db, id);
  const archive = path.join(folder, 'night.zip');
  const next = () => Promise.resolve(pieces.next()).then(({ done, value }) => (done ? null : value));
  fs.writeFileSync(archive, await buffer(await zipped(next)));
  for (const round of [3, 1, 0, 2].slice(0, tries(10))) {
    const restorer = spawn(
      process.execPath,
      ['--conditions', 'react-server', '--import', 'tsx', 'tests/unit/endlessRestorer.ts', home, archive],
      { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] },
    );
    let said = '';
    restorer.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (said.split('\n').length > 3 + round * 2) setTimeout(() => restorer.kill('SIGKILL'), 7 * round);
    });
    await new Promise((resolve) => restorer.on('close', resolve));
    const again = openDatabase(home);
    expect(again.pragma('integrity_check', { simple: true })).toBe('ok');
    const [kept, photos] = [new ShowRepository(again), new PhotoRepository(again)];
    for (const line of said.trim().split('\n')) {
      const [photoId, restored] = line.split(' ') as [string, string];
      expect(photos.find(photoId)).toBeDefined();
      expect(kept.standing(restored)).not.toBeNull();
    }
    for (const { id: each } of kept.list()) {
      expect(kept.get(each)).toMatchObject({ sequence: 1, show: { name: 'Night' } });
      expect(kept.factsOf(each)).toHaveLength(3);
      expect(photos.usedBy(each).map((photo) => photo.mime)).toEqual(Array(3).fill('image/png'));
    }
  }
  fs.rmSync(folder, { recursive: true, force: true });
});
