import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 2500 },
  server: { proxy: { "/api": "http://127.0.0.1:5748" } },
  test: { environment: "happy-dom", testTimeout: 30_000, environmentOptions: { happyDOM: { url: "http://localhost/" } }, include: ["src/**/*.test.{ts,tsx}"] },
});
