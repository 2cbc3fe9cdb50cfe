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

/** A PostgreSQL for all servers of the tests; gone when the tests are. */
export default function serve() {
  const folder = mkdtempSync(join(tmpdir(), "wellsedes-e2e-"));
  execFileSync("chmod", ["755", folder]);
  const postgres = (command: string) =>
    execFileSync(join(root, "tools/postgres"), [command, folder], {
      encoding: "utf8",
      env: { ...process.env, WELLSEDES_POSTGRES: "-c fsync=off" },
    }).trim();
  process.env.WELLSEDES_E2E_POSTGRES = postgres("start");
  return () => {
    postgres("stop");
    rmSync(folder, { recursive: true, force: true });
  };
}

/** A server with the demo over a database of its own, for one worker: what its tests change no other sees. */
export async function serveWorker(index: number) {
  const database = process.env.WELLSEDES_E2E_POSTGRES!.replace(
    "Database=postgres",
    `Database=e2e_${index}`,
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
  const url = `http://127.0.0.1:${port}`;
  for (let tries = 0; ; tries++) {
    try {
      if ((await fetch(`${url}/health`)).ok) break;
    } catch {
      if (tries > 300) throw new Error("The server did not start.");
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return { url, stop: () => void server.kill() };
}
