import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './set-up/browser.mjs';

/**
 * Journeys drive the production build; each worker serves a demo database of its own (journeys/stage.ts).
 * Nothing here is timed: the limits only end a run that hangs, and leave room for a machine several times slower than an ordinary one.
 */
export default defineConfig({
  testDir: 'journeys',
  globalSetup: './journeys/ready.ts',
  timeout: 600_000,
  expect: { timeout: 90_000 },
  workers: 2,
  fullyParallel: false,
  forbidOnly: Boolean(process.env.CI),
  reporter: 'list',
  outputDir: 'var/journeys',
  use: {
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    actionTimeout: 180_000,
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_ARGS },
    trace: 'off',
    // Journeys look at what goes over the line; the one that starts without it says so.
    serviceWorkers: 'block',
  },
});
