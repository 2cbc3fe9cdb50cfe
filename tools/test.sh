# Sourced by ./wellsedes test: runs every test and sums them up in one line.
passed=0
failed=0

# A step that is one check: formatters, type checks, linters.
check() {
  local name=$1
  shift
  if "$@" >"$data/check.log" 2>&1; then
    passed=$((passed + 1))
    echo "ok    $name"
  else
    failed=$((failed + 1))
    echo "FAIL  $name"
    tail -n 40 "$data/check.log"
  fi
}

# One xUnit program; its own closing line says how many there were.
xunit() {
  local name=$1 log=$data/$1.log total wrong
  local status=0
  "tests/$name/bin/Release/net10.0/$name" -noColor >"$log" 2>&1 || status=$?
  total=$(sed -nE 's/.*Total: ([0-9]+).*/\1/p' "$log" | tail -n 1)
  wrong=$(sed -nE 's/.*Errors: ([0-9]+), Failed: ([0-9]+).*/\1 \2/p' "$log" | tail -n 1 | awk '{print $1 + $2}')
  if [ -z "$total" ] || { [ "$status" -ne 0 ] && [ "${wrong:-0}" -eq 0 ]; }; then
    failed=$((failed + 1))
    echo "FAIL  $name did not run to its end"
    tail -n 40 "$log"
    return
  fi
  passed=$((passed + total - wrong))
  failed=$((failed + wrong))
  if [ "$wrong" -eq 0 ]; then echo "ok    $name: $total"; else
    echo "FAIL  $name: $wrong of $total"
    grep -A 12 '\[FAIL\]' "$log" | head -n 80
  fi
}

# A runner from npm that writes its result as JSON; the jq-like work is done by node.
npm_runner() {
  local name=$1 result=$2 counts
  shift 2
  rm -f "$result"
  (cd web && "$@") >"$data/$name.log" 2>&1 || true
  counts=$(node tools/count-tests.mjs "$result" 2>/dev/null) || counts="0 1"
  passed=$((passed + ${counts% *}))
  failed=$((failed + ${counts#* }))
  if [ "${counts#* }" = 0 ]; then echo "ok    $name: ${counts% *}"; else
    echo "FAIL  $name: ${counts#* } failed"
    tail -n 60 "$data/$name.log"
  fi
}

run_tests() {
  need_packages "/usr/lib/postgresql/*/bin/initdb=postgresql" "/usr/bin/chromium=chromium" \
    "/usr/bin/pdftotext=poppler-utils" "/usr/bin/mutool=mupdf-tools" "/usr/bin/qpdf=qpdf" "/usr/bin/assimp=assimp-utils"
  need_web_packages
  check "dotnet tools" dotnet tool restore
  check "C# formatting" dotnet csharpier check .
  check "C# build, warnings are errors" dotnet build Wellsedes.slnx -c Release -v quiet --nologo
  check "front end build" bash -c 'cd web && npx vite build --logLevel error'
  check "front end types" bash -c 'cd web && npx svelte-check --tsconfig ./tsconfig.json --fail-on-warnings'
  check "front end lint" bash -c 'cd web && npx eslint . --max-warnings 0'
  check "front end formatting" bash -c 'cd web && npx prettier --check .'
  xunit Core.Tests
  xunit Formats.Tests
  xunit Architecture.Tests
  xunit Server.Tests
  npm_runner vitest "$data/vitest.json" npx vitest run --reporter=json --outputFile="$data/vitest.json"
  PLAYWRIGHT_JSON_OUTPUT_NAME=$data/playwright.json npm_runner playwright "$data/playwright.json" \
    npx playwright test --config ../tests/e2e/playwright.config.ts --reporter=json
  echo "$passed passed, $failed failed"
  [ "$failed" -eq 0 ]
}
