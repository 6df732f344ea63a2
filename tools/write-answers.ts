// npx tsx tools/write-answers.ts
// Writes examples/answers.json: what each example case is answered with, in short. A test compares; look at the difference before committing it.
import { writeFileSync } from 'node:fs';
import { shortAnswers } from './cases/short-answers';

writeFileSync('examples/answers.json', `${JSON.stringify(shortAnswers('examples/cases'), null, 1)}\n`);
