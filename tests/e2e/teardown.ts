import fs from 'node:fs';

/** The database of the tests is theirs alone and goes with them. */
export default function teardown() {
  if (process.env.E2E_DATA) fs.rmSync(process.env.E2E_DATA, { recursive: true, force: true });
}
