import { readFileSync } from 'node:fs';
import { badInput, exitCode, type Answer } from './answer';
import { runCommand } from './commands';

const [name, file] = process.argv.slice(2);

function readInput(): string | Answer {
  try {
    return readFileSync(file ?? 0, 'utf8');
  } catch {
    return badInput(`Cannot read ${file ?? 'standard input'}.`, 'file.unreadable');
  }
}

const input = readInput();
const answer = typeof input === 'string' ? runCommand(name, input) : input;
if (answer.kind === 'done') {
  process.stdout.write(`${JSON.stringify(answer.document, null, 2)}\n`);
} else {
  const { kind, ...rest } = answer;
  process.stderr.write(`${JSON.stringify({ error: kind, ...rest }, null, 2)}\n`);
}
process.exitCode = exitCode(answer);
