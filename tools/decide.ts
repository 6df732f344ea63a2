// npm run --silent decide -- FILE.json | - [options]
// Decides the case in a file and prints the answer. See docs/formats.md.
import { readFileSync } from 'node:fs';
import { decideCommand } from './cases/decide-command';

// Somebody who reads only the first lines closes the pipe: that is no error of ours.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(process.exitCode ?? 0);
  else throw error;
});
process.exitCode = decideCommand(process.argv.slice(2), {
  input: () => readFileSync(0, 'utf8'),
  out: (text) => {
    process.stdout.write(text);
  },
  error: (text) => {
    process.stderr.write(text);
  },
});
