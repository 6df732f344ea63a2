/** Runs once when the server starts: a wrong environment stops it at once, and a signal closes everything in order. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { startProcess } = await import('./server/process');
  const { foundingCode } = await import('./commands/club/founding');
  const { noticeWork } = await import('./commands/notices/work');
  startProcess(foundingCode, noticeWork);
}
