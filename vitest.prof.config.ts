import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: { testTimeout: 120_000, isolate: false, setupFiles: ['/tmp/prof-setup.ts'], include: (process.env['T'] ?? '').split(' ') },
});
