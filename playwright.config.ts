import { defineConfig, devices } from '@playwright/test';
import { testServers } from './tests/browser/server';
import { CHROMIUM } from './scripts/lib/debian';

const servers = testServers();
const own = servers[Number(process.env.TEST_PARALLEL_INDEX ?? 0)];

/** Tests of how long things take. */
const MEASURED = ['**/slow-inputs.spec.ts', '**/next-student.spec.ts'];

export default defineConfig({
  testDir: 'tests/browser',
  fullyParallel: false,
  workers: servers.length || 1,
  // This machine may be busy with other things; a test that is right is not wrong for being slow.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['./tests/browser/slowest.ts']],
  outputDir: '.pulpit/test/results',
  // What is measured is measured alone, when all else is done.
  projects: [
    { name: 'stories', testIgnore: MEASURED },
    { name: 'measured', testMatch: MEASURED },
  ],
  use: {
    ...devices['Desktop Chrome'],
    baseURL: own && `http://127.0.0.1:${own.port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    locale: 'en-GB',
    trace: 'off',
    // A press that waits for what is not there says what it waited for, before the test's own time is over.
    actionTimeout: 60_000,
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A camera and a microphone that no machine needs to have.
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
      ],
    },
  },
});
