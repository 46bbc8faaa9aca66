// A server of the production build with the demo show in a database of its own, for pictures and measurements.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { readShowText } from '../../src/core/show/read';
import type { Show } from '../../src/core/show/schema';
import { serverArgs } from './serve.mjs';

const ROOT = path.resolve(__dirname, '../..');

export interface DemoServer {
  address: string;
  /** Keeps a show and gives its id. */
  keep: (show: Show) => Promise<string>;
  stop: () => void;
}

export function readDemoShow(): Show {
  return readShowText(fs.readFileSync(path.join(ROOT, 'demo/marrow-quay.show.json'), 'utf8'));
}

/** @param prepare writes into the data folder before the server starts */
export async function startDemoServer(prepare: (folder: string) => void = () => {}): Promise<DemoServer> {
  const data = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-'));
  prepare(data);
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, serverArgs({ port }), {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NODE_ENV: 'production', RAPID_LANTERN_DATA: data, NEXT_TELEMETRY_DISABLED: '1' },
  });
  for (let tries = 0; ; tries += 1) {
    const up = await fetch(`${address}/api/shows`).then(
      () => true,
      () => false,
    );
    if (up) break;
    if (tries > 200) throw new Error('The server did not start; build the application first: npm run build.');
    await new Promise((resume) => setTimeout(resume, 100));
  }
  return {
    address,
    keep: async (show) => {
      const response = await fetch(`${address}/api/shows`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(show),
      });
      return ((await response.json()) as { id: string }).id;
    },
    stop: () => {
      server.kill();
      fs.rmSync(data, { recursive: true, force: true });
    },
  };
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

export function startBrowser(): Promise<Browser> {
  return chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}
