// Writes THIRD-PARTY-NOTICES.md from the lock files and from what each package says of its licence; with --check it only compares.
import { existsSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { homedir } from "node:os";
import { join } from "node:path";

const root = join(import.meta.dirname, "..");
const file = join(root, "THIRD-PARTY-NOTICES.md");

/** Licences of packages that do not name theirs, or not as one that is known, read by hand in the package. */
const byHand = {
  "svelte-toolbelt": "MIT",
  CsvHelper: "MS-PL OR Apache-2.0",
  NetTopologySuite: "BSD-3-Clause",
};

/** Only what may ship with the application without asking for more than a notice. */
const allowed = [
  "MIT",
  "ISC",
  "0BSD",
  "Unlicense",
  "BSD-2-Clause",
  "BSD-3-Clause",
  "Apache-2.0",
  "PostgreSQL",
  "OFL-1.1",
  "MS-PL OR Apache-2.0",
  "MS-PL",
];

function nuget() {
  const found = new Map();
  for (const project of ["Server", "Cli"]) {
    const lock = JSON.parse(
      readFileSync(
        join(root, `src/Wellsedes.${project}/packages.lock.json`),
        "utf8",
      ),
    );
    for (const framework of Object.values(lock.dependencies))
      for (const [name, { type, resolved }] of Object.entries(framework))
        if (type !== "Project") found.set(name, resolved);
  }
  const folder =
    process.env.NUGET_PACKAGES ?? join(homedir(), ".nuget/packages");
  return [...found].map(([name, version]) => {
    const at = join(folder, name.toLowerCase(), version);
    const spec = existsSync(at)
      ? readdirSync(at).find((entry) => entry.endsWith(".nuspec"))
      : undefined;
    const text = spec ? readFileSync(join(at, spec), "utf8") : "";
    const said = /<license type="expression">([^<]+)</.exec(text)?.[1];
    return { name, version, licence: said ?? byHand[name] ?? "unknown" };
  });
}

function npm() {
  const { packages } = JSON.parse(
    readFileSync(join(root, "web/package-lock.json"), "utf8"),
  );
  return Object.entries(packages)
    .filter(([path, one]) => path && !one.dev)
    .map(([path, one]) => {
      const name = path.replace(/^.*node_modules\//, "");
      return {
        name,
        version: one.version,
        licence: one.license ?? byHand[name] ?? "unknown",
      };
    });
}

const rows = (parts) =>
  parts
    .sort((a, b) => (a.name.toLowerCase() < b.name.toLowerCase() ? -1 : 1))
    .map(
      ({ name, version, licence }) => `| ${name} | ${version} | ${licence} |`,
    )
    .join("\n");

const [server, client] = [nuget(), npm()];
const wrong = [...server, ...client].filter(
  ({ licence }) => !allowed.includes(licence),
);
if (wrong.length) {
  for (const { name, version, licence } of wrong)
    console.error(`${name} ${version}: ${licence} is no licence that may ship`);
  process.exit(1);
}

const text = `# What Wellsedes is built with

Made by \`node tools/notices.mjs\` from the lock files and from what each package says of its licence; a check of the tests holds it to them, and
that nothing ships under a licence that is not among those allowed there. \`./wellsedes parts\` writes the same as CycloneDX lists.

## In the server and the command line

| package | version | licence |
|---|---|---|
${rows(server)}

## In the browser

Of these some only build what is shipped (Svelte's compiler, types).

| package | version | licence |
|---|---|---|
${rows(client)}

## Fonts

Barlow and Barlow Semi Condensed, © 2017 The Barlow Project Authors, under the SIL Open Font License 1.1 (\`assets/fonts/OFL.txt\`).

## Programs of their own, and what only tests use

PostgreSQL and poppler run as programs of their own. For tests only: xUnit, CsCheck, ArchUnitNET (Apache-2.0), PdfPig (Apache-2.0), Playwright
(Apache-2.0), axe-core (MPL-2.0), Vitest (MIT), the glTF validator (Apache-2.0), Debian's Chromium, mupdf, qpdf and assimp.
`;

if (process.argv.includes("--check")) {
  if (!existsSync(file) || readFileSync(file, "utf8") !== text) {
    console.error(
      "THIRD-PARTY-NOTICES.md is not what node tools/notices.mjs writes; run it.",
    );
    process.exit(1);
  }
} else writeFileSync(file, text);
