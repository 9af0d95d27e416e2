import react from "@vitejs/plugin-react";
import { cpSync } from "node:fs";
import { defineConfig } from "vitest/config";

/** What PDFs need besides the code: character maps, fonts and decoders. Without the engine for scripts in papers. */
const pdfFiles = {
  name: "pdf-files",
  closeBundle() {
    for (const folder of ["cmaps", "standard_fonts", "wasm", "iccs"]) {
      cpSync(`node_modules/pdfjs-dist/${folder}`, `dist/assets/pdfjs/${folder}`, {
        recursive: true,
        filter: (file) => !/quickjs|\.wasm$/i.test(file),
      });
    }
  },
};

export default defineConfig({
  plugins: [react(), pdfFiles],
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 2500 },
  server: { proxy: { "/api": "http://127.0.0.1:5748" } },
  test: {
    environment: "happy-dom",
    environmentOptions: { happyDOM: { url: "http://localhost/" } },
    testTimeout: 180_000,
    setupFiles: "src/testing/setup.ts",
    projects: [
      {
        // most of the time would go into loading the component library for each file
        extends: true,
        test: { name: "together", include: ["src/**/*.test.{ts,tsx}"], exclude: ["src/**/*.alone.test.tsx"], pool: "threads", isolate: false },
      },
      {
        // tests that put another module in the place of one
        extends: true,
        test: { name: "alone", include: ["src/**/*.alone.test.tsx"] },
      },
    ],
  },
});
