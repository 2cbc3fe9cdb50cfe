// Prints "passed failed" from the JSON report of vitest or Playwright.
import { readFileSync } from "node:fs";

const report = JSON.parse(readFileSync(process.argv[2], "utf8"));
if (report.stats) {
  const broken = report.errors?.length ?? 0;
  // One that is allowed a second try and passed in it has passed.
  console.log(
    `${report.stats.expected + report.stats.flaky} ${report.stats.unexpected + broken}`,
  );
} else
  console.log(
    `${report.numPassedTests} ${report.numFailedTests + (report.success || report.numFailedTests ? 0 : 1)}`,
  );
