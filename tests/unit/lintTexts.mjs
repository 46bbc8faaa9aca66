// Lints pieces of code as if they stood in files of the project: [[path, code], …] on standard input, the rules that refuse each on
// standard output. The linter reads its configuration as a module, which a test runner does not let it do, so it has a process.
import { ESLint } from 'eslint';
import { text } from 'node:stream/consumers';

const pieces = JSON.parse(await text(process.stdin));
const eslint = new ESLint();
const broken = [];
for (const [filePath, code] of pieces) {
  const [{ messages }] = await eslint.lintText(code, { filePath });
  broken.push(messages.map(({ ruleId, message }) => ruleId ?? message));
}
process.stdout.write(JSON.stringify(broken));
