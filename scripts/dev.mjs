// Installs if needed and starts the development server, with the same data folder as the demo.
import { install, needNode20, run } from './lib/project.mjs';
import { serverArgs } from './lib/serve.mjs';

needNode20();
await install();
process.exit(
  await run(process.execPath, serverArgs({ port: process.env.PORT ?? 4180, dev: true }), {
    env: { NODE_ENV: 'development' },
  }),
);
