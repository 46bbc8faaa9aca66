// Installs if needed and starts the development server, with the same data folder as the demo.
import { install, needNode20, runNode } from './lib/project.mjs';

needNode20();
await install();
process.exit(
  await runNode('node_modules/next/dist/bin/next', [
    'dev',
    '--hostname',
    '127.0.0.1',
    '--port',
    process.env.PORT ?? '4180',
  ]),
);
