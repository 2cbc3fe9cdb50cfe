import { defineConfig } from "../../web/node_modules/@playwright/test/index.js";

export default defineConfig({
  testDir: ".",
  outputDir: "./results",
  timeout: 40_000,
  workers: 2,
  globalSetup: "./serve.ts",
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
    trace: "off",
  },
});
