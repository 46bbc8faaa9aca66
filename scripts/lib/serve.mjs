// The start of the server, whoever starts it.
export function serverArgs({ port, hostname = '127.0.0.1', dev = false, lan = null }) {
  return [
    '--import',
    'tsx',
    'src/server/front/main.ts',
    '--hostname',
    hostname,
    '--port',
    String(port),
    ...(dev ? ['--dev'] : []),
    ...(lan === null ? [] : ['--lan', lan]),
  ];
}
