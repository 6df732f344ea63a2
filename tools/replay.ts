// npm run replay: decides every release again from what it was decided from, and says which of them would be decided otherwise, and why.
// GROVAL_SUPERUSER_URL is a superuser's connection to the application's database: only such a one sees every club.
import { replayReleases } from './database/replay-releases';

const url = process.env['GROVAL_SUPERUSER_URL'] ?? '';
if (url === '') {
  process.stderr.write(
    'GROVAL_SUPERUSER_URL is not set. Expected a superuser’s connection to the application’s database, such as postgres://postgres:…@127.0.0.1:5432/groval\n',
  );
  process.exit(2);
}
const { releases, same, told } = await replayReleases(url);
for (const line of told) process.stderr.write(`${line}\n`);
process.stdout.write(
  `${releases} ${releases === 1 ? 'release' : 'releases'}: ${same} decided the same, byte for byte\n`,
);
process.exitCode = told.length > 0 ? 1 : 0;
