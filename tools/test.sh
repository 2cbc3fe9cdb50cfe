# Sourced by ./wellsedes test: runs every test, or those of a name, and sums them up in one line.
passed=0
failed=0
# What was measured: "seconds name" a part.
times=$data/test-times
# Tests run for minutes and each of their paths a few times: code that watches itself to become faster later costs more than it gives.
export DOTNET_TieredPGO=0

took() {
  echo "$(($(date +%s) - $1)) $2" >>"$times"
}

# A step that is one check: formatters, type checks, linters.
check() {
  local name=$1 log=$data/check-${1//[^A-Za-z0-9]/-}.log start
  start=$(date +%s)
  shift
  if "$@" >"$log" 2>&1; then
    passed=$((passed + 1))
    echo "ok    $name"
  else
    failed=$((failed + 1))
    echo "FAIL  $name"
    tail -n 40 "$log"
  fi
  took "$start" "$name"
}

# One xUnit program; its own closing line says how many there were. What comes after the name narrows it.
xunit() {
  local name=$1 log=$data/$1.log total wrong start status=0
  start=$(date +%s)
  shift
  rm -f "$data/$name.ctrf.json"
  "tests/$name/bin/Release/net10.0/$name" -noColor -ctrf "$data/$name.ctrf.json" "$@" >"$log" 2>&1 || status=$?
  took "$start" "$name"
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

# A runner from npm that writes its result as JSON, which node reads.
npm_runner() {
  local name=$1 result=$2 counts start
  start=$(date +%s)
  shift 2
  rm -f "$result"
  (cd web && "$@") >"$data/$name.log" 2>&1 || true
  took "$start" "$name"
  counts=$(node tools/count-tests.mjs "$result" 2>/dev/null) || counts="0 1"
  passed=$((passed + ${counts% *}))
  failed=$((failed + ${counts#* }))
  if [ "${counts#* }" = 0 ]; then echo "ok    $name: ${counts% *}"; else
    echo "FAIL  $name: ${counts#* } failed"
    tail -n 60 "$data/$name.log"
  fi
}

vitest() {
  npm_runner vitest "$data/vitest.json" npx vitest run --reporter=json --outputFile="$data/vitest.json" "$@"
}

playwright() {
  PLAYWRIGHT_JSON_OUTPUT_NAME=$data/playwright.json npm_runner playwright "$data/playwright.json" \
    npx playwright test --config ../tests/e2e/playwright.config.ts --reporter=json "$@"
}

need_test_packages() {
  need_packages "/usr/lib/postgresql/*/bin/initdb=postgresql" "/usr/bin/chromium=chromium" \
    "/usr/bin/pdftotext=poppler-utils" "/usr/bin/mutool=mupdf-tools" "/usr/bin/qpdf=qpdf" "/usr/bin/assimp=assimp-utils"
  need_web_packages
}

sum_up() {
  echo
  echo "seconds a part:"
  sort -rn "$times" | awk '{ s = $1; $1 = ""; printf "%6d %s\n", s, $0 }'
  node tools/slowest-tests.mjs "$data"
  echo "$passed passed, $failed failed"
  [ "$failed" -eq 0 ]
}

# Every test.
run_tests() {
  : >"$times"
  rm -f "$data"/*.ctrf.json "$data/vitest.json" "$data/playwright.json"
  need_test_packages
  check "dotnet tools" dotnet tool restore
  check "licences of what ships" node tools/notices.mjs --check
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
  vitest
  playwright
  sum_up
}

# Just the tests whose class, method, file or title has a name in it; only what they need is built.
run_named() {
  local name=$1 found=false project files
  : >"$times"
  rm -f "$data"/*.ctrf.json "$data/vitest.json" "$data/playwright.json"
  mkdir -p "$data"
  local method=${name// /_}
  for project in Core Formats Architecture Server; do
    grep -rqE "(class|(void|Task) )[ ]?[A-Za-z0-9_]*$method" --include='*.cs' "tests/$project.Tests" || continue
    found=true
    [ "$project" = Core ] || [ "$project" = Architecture ] || need_test_packages
    check "$project.Tests build" dotnet build "tests/$project.Tests" -c Release -v quiet --nologo
    xunit "$project.Tests" -filter "/*/*/*$method*/*" -filter "/*/*/*/*$method*"
  done
  files=$(find web/src -name '*.test.ts' \( -name "*$name*" -o -exec grep -qF -- "$name" {} \; \) -print)
  if [ -n "$files" ]; then
    found=true
    need_web_packages
    if [[ $files == *"$name"* ]]; then vitest "$name"; else vitest -t "$name"; fi
  fi
  files=$(find tests/e2e -name '*.spec.ts' \( -name "*$name*" -o -exec grep -qF -- "$name" {} \; \) -print)
  if [ -n "$files" ]; then
    found=true
    need_test_packages
    build_release
    if [[ $files == *"$name"* ]]; then playwright "$name"; else playwright -g "$name"; fi
  fi
  [ "$found" = true ] || fail "No test has \"$name\" in its class, method, file or title."
  sum_up
}
