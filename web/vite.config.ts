import { svelte } from "@sveltejs/vite-plugin-svelte";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [svelte(), tailwindcss()],
  build: {
    outDir: "../src/Wellsedes.Server/wwwroot",
    emptyOutDir: true,
    // Everything is a file of its own: the content policy allows no inlined data beyond pictures.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
  },
  server: {
    proxy: { "/api": "http://127.0.0.1:5180", "/live": { target: "http://127.0.0.1:5180", ws: true } },
  },
  test: { environment: "node", include: ["src/**/*.test.ts"] },
});
