// Prints the ten slowest tests of all runners, from the reports that they left in a folder.
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const folder = process.argv[2];
const slow = [];

for (const file of readdirSync(folder).filter((name) =>
  name.endsWith(".ctrf.json"),
)) {
  // Names of cases may hold characters that JSON does not allow as they are.
  const text = readFileSync(join(folder, file), "utf8").replace(
    /[\u0000-\u001f]/g,
    " ",
  );
  try {
    for (const test of JSON.parse(text).results.tests)
      slow.push([
        test.duration / 1000,
        test.name.replace("Wellsedes.", "").slice(0, 140),
      ]);
  } catch {
    console.log(`${file} cannot be read`);
  }
}

const read = (name) =>
  existsSync(join(folder, name))
    ? JSON.parse(readFileSync(join(folder, name), "utf8"))
    : {};
for (const file of read("vitest.json").testResults ?? [])
  for (const test of file.assertionResults)
    slow.push([(test.duration ?? 0) / 1000, `vitest: ${test.fullName}`]);
const walk = (suite) => {
  for (const spec of suite.specs ?? [])
    slow.push([
      Math.max(
        ...spec.tests.flatMap((test) =>
          test.results.map((result) => result.duration / 1000),
        ),
      ),
      `${spec.file}: ${spec.title}`,
    ]);
  for (const inner of suite.suites ?? []) walk(inner);
};
for (const suite of read("playwright.json").suites ?? []) walk(suite);

console.log("the ten slowest tests, seconds:");
for (const [seconds, name] of slow.sort((a, b) => b[0] - a[0]).slice(0, 10))
  console.log(`${seconds.toFixed(1).padStart(6)} ${name}`);
