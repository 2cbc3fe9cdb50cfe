# Sourced by ./wellsedes bench: runs every benchmark behind docs/performance.md.
build_release
dotnet build tests/Core.Tests -c Release -v quiet --nologo
dotnet build bench/Wellsedes.Bench -c Release -v quiet --nologo
bench=bench/Wellsedes.Bench/bin/Release/net10.0/Wellsedes.Bench.dll
dotnet "$bench" core
dotnet "$bench" moves
dotnet "$bench" blocks
WELLSEDES_AREAS=500 tests/Core.Tests/bin/Release/net10.0/Core.Tests -noColor -method "*Whatever_stands_there_the_fill*"
# The long series of seeded cases whole, of which the tests run a part.
for part in Core Formats; do
  dotnet build tests/$part.Tests -c Release -v quiet --nologo
  WELLSEDES_WHOLE=1 tests/$part.Tests/bin/Release/net10.0/$part.Tests -noColor | tail -n 3
done
folder=$(mktemp -d)
chmod 755 "$folder"
database=$(tools/postgres start "$folder")
WELLSEDES_DATABASE=${database%;Database=*}\;Database=bench WELLSEDES_DEMO=$PWD/demo ASPNETCORE_ENVIRONMENT=Production \
  ASPNETCORE_CONTENTROOT=$PWD/src/Wellsedes.Server dotnet "$out/Wellsedes.Server.dll" --urls http://127.0.0.1:5981 &
server=$!
trap 'kill $server; tools/postgres stop "$folder"; rm -rf "$folder"' EXIT
for _ in $(seq 1 300); do
  curl -fs http://127.0.0.1:5981/health >/dev/null 2>&1 && break
  sleep 0.1
done
dotnet "$bench" probe http://127.0.0.1:5981
dotnet "$bench" editors http://127.0.0.1:5981 50 40 "$server"
dotnet "$bench" plan rows 10000 "$folder/rows.wellsedes.json"
dotnet "$bench" plan rows 1000 "$folder/thousand.wellsedes.json"
node bench/browser/space.mjs http://127.0.0.1:5981 "$folder/thousand.wellsedes.json" "$folder/rows.wellsedes.json"
node bench/browser/frames.mjs http://127.0.0.1:5981 "$folder/rows.wellsedes.json"
dotnet "$bench" plan rows 2000 "$folder/two.wellsedes.json"
node bench/browser/many.mjs http://127.0.0.1:5981 "$folder/two.wellsedes.json"
dotnet "$bench" plan mixed 5000 "$folder/mixed.wellsedes.json"
node bench/browser/opening.mjs http://127.0.0.1:5981 "$folder/mixed.wellsedes.json"
dotnet "$bench" picture "$folder/backing.jpg"
node bench/browser/backing.mjs http://127.0.0.1:5981 "$folder/backing.jpg"
# Links dropped and delayed for two minutes, and a hundred and fifty kills: a quarter of an hour and more.
(cd web && WELLSEDES_WEATHER_SECONDS=120 npx playwright test --config ../tests/e2e/playwright.config.ts weather)
dotnet "$bench" kills 100 50
