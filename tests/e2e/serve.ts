import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { createServer, type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

const root = join(__dirname, "..", "..");

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer();
    server.listen(0, "127.0.0.1", () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });
}

/** A server with the demo over a PostgreSQL of its own; gone when the tests are. */
export default async function serve() {
  const folder = mkdtempSync(join(tmpdir(), "wellsedes-e2e-"));
  execFileSync("chmod", ["755", folder]);
  const postgres = (command: string) =>
    execFileSync(join(root, "tools/postgres"), [command, folder], {
      encoding: "utf8",
    }).trim();
  const database = postgres("start").replace(
    "Database=postgres",
    "Database=e2e",
  );
  const port = await freePort();
  const server = spawn(
    "dotnet",
    [
      join(
        root,
        "src/Wellsedes.Server/bin/Release/net10.0/Wellsedes.Server.dll",
      ),
      "--urls",
      `http://127.0.0.1:${port}`,
    ],
    {
      env: {
        ...process.env,
        WELLSEDES_DATABASE: database,
        WELLSEDES_DEMO: join(root, "demo"),
        ASPNETCORE_CONTENTROOT: join(root, "src/Wellsedes.Server"),
        ASPNETCORE_ENVIRONMENT: "Production",
      },
      stdio: "inherit",
    },
  );
  process.env.WELLSEDES_URL = `http://127.0.0.1:${port}`;
  for (let tries = 0; ; tries++) {
    try {
      if ((await fetch(`${process.env.WELLSEDES_URL}/health`)).ok) break;
    } catch {
      if (tries > 300) throw new Error("The server did not start.");
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return () => {
    server.kill();
    postgres("stop");
    rmSync(folder, { recursive: true, force: true });
  };
}
