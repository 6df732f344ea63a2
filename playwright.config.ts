import { defineConfig } from '@playwright/test';

const port = Number(process.env['GROVAL_TEST_PORT'] ?? '0');
// Debian's Chromium; its background services would only knock at a closed network.
const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.groval/browser',
  workers: 2,
  retries: 0,
  // What is waited for comes at last on a machine that is busy with ten other things; no test here is one of speed.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  use: {
    actionTimeout: 30_000,
    baseURL: `http://127.0.0.1:${port}`,
    launchOptions: { executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium', args },
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    trace: 'off',
  },
  webServer: {
    command: `node tools/server.mjs --hostname 127.0.0.1 --port ${port}`,
    url: `http://127.0.0.1:${port}/api/health`,
    env: { NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', GROVAL_DEMO_PASSWORD: 'tern-bay-demo' },
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    stdout: 'ignore',
  },
});
